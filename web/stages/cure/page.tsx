import { Frame } from '../../app/Frame.tsx';
import { CureBench } from './CureBench.tsx';
import { CureGround } from './CureGround.tsx';

export const Component = () => <Frame stage="cure" ground={<CureGround />} bench={<CureBench />} />;
