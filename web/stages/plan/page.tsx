import { Frame } from '../../app/Frame.tsx';
import { PlanBench } from './PlanBench.tsx';
import { PlanGround } from './PlanGround.tsx';

export const Component = () => <Frame stage="plan" ground={<PlanGround />} bench={<PlanBench />} />;
