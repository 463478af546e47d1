import { Frame } from '../../app/Frame.tsx';
import { PlanBench, PlanGround } from './Plan.tsx';

export const Component = () => <Frame stage="plan" ground={<PlanGround />} bench={<PlanBench />} />;
