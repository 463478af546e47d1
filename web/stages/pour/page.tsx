import { Frame } from '../../app/Frame.tsx';
import { PourBench, PourGround } from './Pour.tsx';

export const Component = () => <Frame stage="pour" ground={<PourGround />} bench={<PourBench />} />;
