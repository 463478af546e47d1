import { usePour } from '../../../app/pour-context.tsx';
import { useFocus } from '../../../app/useFocus.ts';
import { LineSheet } from '../tasks/LineSheet.tsx';
import { TemplateSheet } from '../tasks/TemplateSheet.tsx';
import { HurtSheet } from '../trouble/HurtSheet.tsx';
import { TroubleSheet } from '../trouble/TroubleSheet.tsx';
import { StartSheet } from '../StartSheet.tsx';
import { AddedSheet } from './AddedSheet.tsx';
import { CylindersSheet } from './CylindersSheet.tsx';
import { DecideSheet } from './DecideSheet.tsx';
import { EndSheet } from './EndSheet.tsx';
import { FreshSheet } from './FreshSheet.tsx';
import { LoadSheet } from './LoadSheet.tsx';
import { NoteSheet } from './NoteSheet.tsx';
import { SlumpSheet } from './SlumpSheet.tsx';
import { StopSheet } from './StopSheet.tsx';
import { TicketsSheet } from './TicketsSheet.tsx';
import { WaterSheet } from './WaterSheet.tsx';
import { WeatherSheet } from './WeatherSheet.tsx';

/** Sheets of pour day. Each asks for the least that has to be seen; times are now unless said otherwise. */
export default function PourSheets() {
  const { sheet, set } = useFocus();
  const v = usePour();
  const close = () => {
    set({ sheet: null });
  };
  if (!sheet) return null;
  const [kind, ref = ''] = sheet.split(':');
  const here = v.loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  )?.id;
  const loadId = ref === 'here' || ref === '' ? (here ?? '') : ref;
  switch (kind) {
    case 'load':
      return (
        <LoadSheet
          id={
            ref === 'next'
              ? (v.loads.find((l) => l.stage === 'due')?.id ?? `L${v.loads.length + 1}`)
              : ref
          }
          onClose={close}
        />
      );
    case 'tickets':
      return <TicketsSheet onClose={close} />;
    case 'fresh':
      return loadId ? <FreshSheet id={loadId} onClose={close} /> : null;
    case 'cylinders':
      return loadId ? <CylindersSheet id={loadId} onClose={close} /> : null;
    case 'added':
      return loadId ? <AddedSheet id={loadId} onClose={close} /> : null;
    case 'slump':
      return loadId ? <SlumpSheet id={loadId} onClose={close} /> : null;
    case 'water':
      return loadId ? <WaterSheet id={loadId} onClose={close} /> : null;
    case 'decide':
      return loadId ? <DecideSheet id={loadId} onClose={close} /> : null;
    case 'end':
      return loadId ? <EndSheet id={loadId} onClose={close} /> : null;
    case 'start':
      return <StartSheet loadId={here} onClose={close} />;
    case 'stop':
      return <StopSheet onClose={close} />;
    case 'line':
      return <LineSheet taskId={ref} onClose={close} />;
    case 'template':
      return <TemplateSheet taskId={ref} onClose={close} />;
    case 'trouble':
      return (
        <TroubleSheet
          onClose={close}
          show={() => {
            set({ sheet: null, tab: 'trouble' });
          }}
          hurt={() => {
            set({ sheet: 'hurt' });
          }}
        />
      );
    case 'hurt':
      return <HurtSheet onClose={close} />;
    case 'weather':
      return <WeatherSheet onClose={close} />;
    case 'note':
      return <NoteSheet onClose={close} />;
    default:
      return null;
  }
}
