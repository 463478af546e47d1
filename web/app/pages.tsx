import { Outlet, useParams } from 'react-router';
import { CheckBench } from '../stages/check/CheckBench.tsx';
import { CheckGround } from '../stages/check/CheckGround.tsx';
import { CureBench, CureGround } from '../stages/cure/Cure.tsx';
import { PlanBench, PlanGround } from '../stages/plan/Plan.tsx';
import { PourBench, PourGround } from '../stages/pour/Pour.tsx';
import { SetOutBench } from '../stages/setout/SetOutBench.tsx';
import { SetOutGround } from '../stages/setout/SetOutGround.tsx';
import { WorkBench, WorkGround } from '../stages/workbench/Workbench.tsx';
import { Frame } from './Frame.tsx';
import { PourProvider } from './pour-context.tsx';

export function PourLayout() {
  const { pourId = '' } = useParams();
  return (
    <PourProvider key={pourId} pourId={pourId}>
      <Outlet />
    </PourProvider>
  );
}
export const SetOutPage = () => (
  <Frame stage="setout" ground={<SetOutGround />} bench={<SetOutBench />} />
);
export const CheckPage = () => (
  <Frame stage="check" ground={<CheckGround />} bench={<CheckBench />} />
);
export const PlanPage = () => <Frame stage="plan" ground={<PlanGround />} bench={<PlanBench />} />;
export const PourPage = () => <Frame stage="pour" ground={<PourGround />} bench={<PourBench />} />;
export const WorkPage = () => (
  <Frame stage="workbench" ground={<WorkGround />} bench={<WorkBench />} />
);
export const CurePage = () => <Frame stage="cure" ground={<CureGround />} bench={<CureBench />} />;
