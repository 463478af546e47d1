import { Frame } from '../../app/Frame.tsx';
import { WorkBench, WorkGround } from './Workbench.tsx';

export const Component = () => (
  <Frame stage="workbench" ground={<WorkGround />} bench={<WorkBench />} />
);
