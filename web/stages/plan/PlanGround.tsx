import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { lazily } from '../../ui/lazily.tsx';
import { PlanMarch } from './march/PlanMarch.tsx';
import { PartKeys } from './PartKeys.tsx';
import { partOf } from './parts.ts';

const WhenGround = lazily(() => import('./when/WhenGround.tsx'));
const HowGround = lazily(() => import('./how/HowGround.tsx'));
const WhoGround = lazily(() => import('./who/WhoGround.tsx'));

/** The ground of each part: the march chart, the days, the plan with its pump, the day of the crew. */
export function PlanGround() {
  const { tab } = useFocus();
  const { closed } = usePour();
  // A closed pour is looked at as it was planned, and no part of it is gone into.
  const part = closed ? 'much' : partOf(tab);
  // On a phone they stand over the tools: the drawing has little enough room.
  const wide = useWide();
  return (
    <div className="flex h-full flex-col">
      {wide && !closed && <PartKeys />}
      {(part === 'much' || part === 'way') && <PlanMarch />}
      {part === 'when' && <WhenGround />}
      {part === 'how' && <HowGround />}
      {part === 'who' && <WhoGround />}
    </div>
  );
}
