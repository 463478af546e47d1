import { Link } from 'react-router';
import { entryText } from '#core/words';
import { driftNoted, timeline } from '#core/log';
import { Sheet } from '../ui/Dialog.tsx';
import { T } from '../ui/Text.tsx';
import { usePour } from './pour-context.tsx';
import { useSession } from './session.tsx';
import { momentText } from '#core/view';
import { useSetFocus } from './useFocus.ts';
import { useTheme } from './theme.ts';

/** Said with an entry whose device had the time wrong. */
function ClockMark({ device }: { device: string | undefined }) {
  const aheadMs = driftNoted(device);
  if (aheadMs === null) return null;
  return (
    <span className="block text-[14px] leading-[18px] text-ochre-t">
      its device’s clock was {Math.round(Math.abs(aheadMs) / 60_000)} min{' '}
      {aheadMs > 0 ? 'fast' : 'slow'}
    </span>
  );
}

/** The log of the pour newest first, the demo's clock, theme and signing out. */
export default function DaySheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const { theme, toggle } = useTheme();
  const set = useSetFocus();
  const list = timeline(v.state).reverse();
  return (
    <Sheet open onClose={onClose} title={`Log of ${v.record.pour.code}`}>
      {v.clock.settable && (
        <div className="mb-4">
          <p className="mb-2 text-ink2">Demo clock, put forward</p>
          <div className="grid grid-cols-4 gap-2">
            {(
              [
                ['10 min', 10],
                ['1 h', 60],
                ['8 h', 480],
                ['1 day', 1440],
              ] as const
            ).map(([label, min]) => (
              <button
                key={label}
                type="button"
                className="key fn"
                onClick={() => void v.clock.advance(min)}
              >
                {label}
              </button>
            ))}
          </div>
        </div>
      )}
      <div className="mb-4 flex flex-wrap gap-2">
        <button type="button" className="btn line" onClick={() => void v.undoLast()}>
          Take back last
        </button>
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'find' });
          }}
        >
          Find
        </button>
        <Link className="btn line" to={`/pours/${v.record.id}/workbench`}>
          Work something out
        </Link>
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'rules' });
          }}
        >
          Rules of this site
        </button>
        <button type="button" className="btn line" onClick={toggle}>
          {theme === 'sun' ? 'Dusk theme' : 'Sun theme'}
        </button>
        <Link className="btn line" to="/">
          All pours
        </Link>
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'account' });
          }}
        >
          {account.name}: PIN, people, sign out
        </button>
      </div>
      {list.length === 0 && (
        <p>
          Nothing is logged yet. Readings, loads, weather and sign-offs stand here as they are made.
        </p>
      )}
      <ol className="rows">
        {list.slice(0, 200).map((e) => (
          <li key={e.id} className="flex gap-3 py-2">
            <span className="w-24 shrink-0 font-mono text-[15px]">
              {momentText(v, Date.parse(e.at))}
            </span>
            <span className="flex-1">
              <T>{entryText(e, v.units)}</T>
              <ClockMark device={e.device} />
              {e.saidAt && (
                <span className="block text-[14px] leading-[18px] text-ochre-t">
                  its device’s clock ran ahead and said {momentText(v, Date.parse(e.saidAt))}
                </span>
              )}
            </span>
            <span className="text-[14px] text-ink2">{e.actor}</span>
          </li>
        ))}
      </ol>
      {list.length > 200 && (
        <p className="pt-2 text-ink2">
          {list.length - 200} older entries are in the report and the export.
        </p>
      )}
    </Sheet>
  );
}
