import { Frame } from '../../app/Frame.tsx';
import { PlanBench } from './PlanBench.tsx';
import { PlanGround } from './PlanGround.tsx';
import { PlannedProvider } from './planned.tsx';

export const Component = () => (
  <PlannedProvider>
    <Frame stage="plan" ground={<PlanGround />} bench={<PlanBench />} />
  </PlannedProvider>
);
