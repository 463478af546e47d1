import { Frame } from '../../app/Frame.tsx';
import { SetOutBench } from './SetOutBench.tsx';
import { SetOutGround } from './SetOutGround.tsx';

export const Component = () => (
  <Frame stage="setout" ground={<SetOutGround />} bench={<SetOutBench />} />
);
