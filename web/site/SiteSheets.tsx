import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { useFocus } from '../app/useFocus.ts';
import ConveyancesSheet from '../resources/ConveyancesSheet.tsx';
import CrewSheet from '../resources/CrewSheet.tsx';
import ForecastSheet from '../resources/ForecastSheet.tsx';
import MixersSheet from '../resources/MixersSheet.tsx';
import MixesSheet from '../resources/MixesSheet.tsx';
import PlantsSheet from '../resources/PlantsSheet.tsx';
import PricesSheet from '../resources/PricesSheet.tsx';
import WiresSheet from '../resources/WiresSheet.tsx';
import { TakeOverSheet } from './TakeOverSheet.tsx';

const SHEETS: Record<string, (p: { onClose: () => void }) => React.ReactNode> = {
  mixes: MixesSheet,
  plants: PlantsSheet,
  conveyances: ConveyancesSheet,
  mixers: MixersSheet,
  crew: CrewSheet,
  prices: PricesSheet,
  wires: WiresSheet,
  forecast: ForecastSheet,
};

/** The sheet that the address asks for. */
export default function SiteSheets({
  of,
  changed,
}: {
  of: SiteAnswer<SiteFile>;
  changed: () => Promise<void>;
}) {
  const { sheet, set } = useFocus();
  const close = () => {
    set({ sheet: null });
    void changed();
  };
  if (sheet === 'take-over') return <TakeOverSheet of={of} onClose={close} />;
  const Open = SHEETS[sheet ?? ''];
  return Open ? <Open onClose={close} /> : null;
}
