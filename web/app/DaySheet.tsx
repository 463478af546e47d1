import { Link } from 'react-router';
import { readingText } from '../../core/check/words.ts';
import type { LogEvent } from '../../core/model/events.ts';
import { timeline } from '../../core/pourlog/state.ts';
import { lengthText, textOf, temperatureFigure, volume, type UnitSystem } from '../../core/units/index.ts';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { usePour } from './pour-context.tsx';
import { useSession } from './session.tsx';
import { momentText } from './stages.ts';
import { useTheme } from './theme.ts';

/** One entry in the trade's words. */
function entryWords(e: LogEvent, units: UnitSystem): string {
  switch (e.kind) {
    case 'reading': return `${e.body.checkId.replace('/', ' ')}: ${readingText(e.body.value, units)}`;
    case 'mark': return `${e.body.checkId.replace('/', ' ')}: ${e.body.result === 'pass' ? 'looked at, good' : (e.body.reason ?? e.body.result)}`;
    case 'fix': return `${e.body.checkId.replace('/', ' ')} fixed: ${e.body.what}`;
    case 'sign': return `${e.body.hold === 'own' ? 'Own check' : 'Inspection'} ${e.body.result === 'pass' ? 'passed' : 'rejected'}`;
    case 'load-arrived': return `${e.body.loadId} here, ticket ${e.body.ticket}, ${textOf(volume(e.body.volumeM3, units))}`;
    case 'slump': return `${e.body.loadId} slump ${lengthText(e.body.measuredMm, units)} at the ${e.body.where}`;
    case 'load-verdict': return `${e.body.loadId} ${e.body.decision === 'accept' ? 'accepted' : 'sent back'}`;
    case 'load-end': return `${e.body.loadId} done`;
    case 'place-start': return `Placing ${e.body.elementId}`;
    case 'place-stop': return `${e.body.elementId} ${Math.round(e.body.filledRatio * 100)} of 100 filled`;
    case 'probe': return `Concrete ${textOf(temperatureFigure(e.body.tempC, units))}`;
    case 'weather': return `Air ${textOf(temperatureFigure(e.body.airTempC, units))}, ${e.body.sky}`;
    case 'note': case 'incident': return e.body.text;
    case 'strip': return `Forms off: ${e.body.elementIds.join(', ')}`;
    default: return e.kind.replace('-', ' ');
  }
}

/** The log of the pour newest first, the demo's clock, theme and signing out. */
export function DaySheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account, signOut } = useSession();
  const { theme, toggle } = useTheme();
  const list = timeline(v.state).reverse();
  return (
    <Sheet open onClose={onClose} title={`Log of ${v.record.pour.code}`}>
      {v.clock.settable && (
        <div className="mb-4"><p className="mb-2 text-ink2">Demo clock, put forward</p>
          <div className="grid grid-cols-4 gap-2">{([['10 min', 10], ['1 h', 60], ['8 h', 480], ['1 day', 1440]] as const).map(([label, min]) => <button key={label} type="button" className="key fn" onClick={() => void v.clock.advance(min)}>{label}</button>)}</div></div>
      )}
      <div className="mb-4 flex flex-wrap gap-2">
        <button type="button" className="btn line" onClick={() => void v.undoLast()}>Take back last</button>
        <button type="button" className="btn line" onClick={toggle}>{theme === 'sun' ? 'Dusk theme' : 'Sun theme'}</button>
        <Link className="btn line" to="/">All pours</Link>
        <button type="button" className="btn line" onClick={() => void signOut()}>Sign out {account.name}</button>
      </div>
      {list.length === 0 && <p>Nothing is logged yet. Readings, loads, weather and sign-offs stand here as they are made.</p>}
      <ol className="rows">{list.slice(0, 200).map((e) => <li key={e.id} className="flex gap-3 py-2"><span className="w-24 shrink-0 font-mono text-[15px]">{momentText(v, Date.parse(e.at))}</span><span className="flex-1"><T>{entryWords(e, v.units)}</T></span><span className="text-[14px] text-ink2">{e.actor}</span></li>)}</ol>
      {list.length > 200 && <p className="pt-2 text-ink2">{list.length - 200} older entries are in the report and the export.</p>}
    </Sheet>
  );
}
