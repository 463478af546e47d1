import { Link } from 'react-router';
import { Sheet } from '../ui/Dialog.tsx';
import { usePour } from './pour-context.tsx';
import { LogExports } from './log/LogExports.tsx';
import { LogList } from './log/LogList.tsx';
import { useSession } from './session.tsx';
import { useSetFocus } from './useFocus.ts';
import { useTheme } from './theme.ts';

/** The log of the pour newest first, the demo's clock, theme and signing out. */
export default function DaySheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { account } = useSession();
  const { theme, toggle } = useTheme();
  const set = useSetFocus();
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
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'help' });
          }}
        >
          What this screen is for
        </button>
        <button type="button" className="btn line" onClick={toggle}>
          {theme === 'sun' ? 'Dusk theme' : 'Sun theme'}
        </button>
        <button
          type="button"
          className="btn line"
          onClick={() => {
            set({ sheet: 'hands' });
          }}
        >
          Who is here
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
      <LogList close={onClose} />
      <LogExports />
    </Sheet>
  );
}
