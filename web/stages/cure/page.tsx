import { Frame } from '../../app/Frame.tsx';
import { CureBench, CureGround } from './Cure.tsx';

export const Component = () => <Frame stage="cure" ground={<CureGround />} bench={<CureBench />} />;
