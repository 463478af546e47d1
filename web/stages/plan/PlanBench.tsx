import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { lazily } from '../../ui/lazily.tsx';
import { MuchBench } from './much/MuchBench.tsx';
import { PartKeys } from './PartKeys.tsx';
import { partOf } from './parts.ts';

const ClosedPlan = lazily(() => import('./ClosedPlan.tsx'));
const WayBench = lazily(() => import('./way/WayBench.tsx'));
const LiftsSheet = lazily(() => import('./way/LiftsSheet.tsx'));
const WhenBench = lazily(() => import('./when/WhenBench.tsx'));
const HowBench = lazily(() => import('./how/HowBench.tsx'));
const WhoBench = lazily(() => import('./who/WhoBench.tsx'));
const OrderSheet = lazily(() => import('./much/OrderSheet.tsx'));
const PricesSheet = lazily(() => import('../../resources/PricesSheet.tsx'));
const ConveyancesSheet = lazily(() => import('../../resources/ConveyancesSheet.tsx'));
const MixersSheet = lazily(() => import('../../resources/MixersSheet.tsx'));
const ForecastSheet = lazily(() => import('../../resources/ForecastSheet.tsx'));
const MixesSheet = lazily(() => import('../../resources/MixesSheet.tsx'));
const PlantsSheet = lazily(() => import('../../resources/PlantsSheet.tsx'));
const CrewSheet = lazily(() => import('../../resources/CrewSheet.tsx'));

/** The working of each part, and the sheets of the station. */
export function PlanBench() {
  const { sheet, tab, set } = useFocus();
  const part = partOf(tab);
  const wide = useWide();
  const { closed } = usePour();
  const close = () => {
    set({ sheet: null });
  };
  if (closed) return <ClosedPlan />;
  return (
    <>
      {!wide && <PartKeys />}
      {part === 'much' && <MuchBench />}
      {part === 'when' && <WhenBench />}
      {part === 'how' && <HowBench />}
      {part === 'way' && <WayBench />}
      {part === 'who' && <WhoBench />}
      {sheet === 'lifts' && <LiftsSheet onClose={close} />}
      {sheet === 'order' && <OrderSheet onClose={close} />}
      {sheet === 'prices' && <PricesSheet onClose={close} />}
      {sheet === 'conveyances' && <ConveyancesSheet onClose={close} />}
      {sheet === 'mixers' && <MixersSheet onClose={close} />}
      {sheet === 'forecast' && <ForecastSheet onClose={close} />}
      {sheet === 'crew' && <CrewSheet onClose={close} />}
      {sheet === 'mixes' && <MixesSheet onClose={close} />}
      {sheet === 'plants' && <PlantsSheet onClose={close} />}
    </>
  );
}
