import { Frame } from '../../app/Frame.tsx';
import { CheckBench } from './CheckBench.tsx';
import { CheckGround } from './CheckGround.tsx';

export const Component = () => (
  <Frame stage="check" ground={<CheckGround />} bench={<CheckBench />} />
);
