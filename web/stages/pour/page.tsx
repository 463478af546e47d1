import { Frame } from '../../app/Frame.tsx';
import { PourBench } from './PourBench.tsx';
import { PourGround } from './PourGround.tsx';

export const Component = () => <Frame stage="pour" ground={<PourGround />} bench={<PourBench />} />;
