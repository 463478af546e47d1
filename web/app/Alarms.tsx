import { ArrowRight, ChevronDown } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { alarmWords, pressing } from '#core/words';
import { Mark } from '../ui/Mark.tsx';
import { T } from '../ui/Text.tsx';
import { lazily } from '../ui/lazily.tsx';
import { usePour } from './pour-context.tsx';
import { focusUrl } from './useFocus.ts';

/** As many stand there by themselves; the tools under them are needed too. */
const SHOWN = 2;

const AlarmSound = lazily(() => import('./AlarmSound.tsx'));

/** What will not wait, over the tools of every station while a pour is placed; each leads to where it is dealt with. */
export default function Alarms() {
  const v = usePour();
  const [open, setOpen] = useState(false);
  const alarms = v.alarms.filter(pressing);
  if (alarms.length === 0) return null;
  const all = alarms.map((a) => ({ ...a, ...alarmWords(a, v, v.units) }));
  return (
    <section aria-label="Alarms" className="mb-3 grid gap-1.5">
      <p className="sr-only" role="alert">
        {all.map((a) => a.name).join('. ')}
      </p>
      {(open ? all : all.slice(0, SHOWN)).map((a) => (
        <Link
          key={`${a.kind} ${a.ref}`}
          data-alarm={a.kind}
          to={focusUrl(
            v.record.id,
            'pour',
            a.kind.startsWith('load') ? { sheet: `decide:${a.ref}` } : {},
          )}
          className={`flex min-h-12 items-center gap-3 border-l-8 px-3 py-1.5 font-semibold ${
            a.tone === 'out' ? 'border-chalk bg-chalk-2' : 'border-ochre bg-ochre-2'
          }`}
        >
          <Mark verdict={a.tone} />
          <span className="flex-1">
            <T>{a.sentence}</T>
          </span>
          <ArrowRight size={20} aria-hidden="true" />
        </Link>
      ))}
      <div className="-mt-1 flex items-center justify-between">
        <AlarmSound alarms={all.map((a) => a.name)} />
        {all.length > SHOWN && (
          <button
            type="button"
            className="flex min-h-12 items-center gap-1 px-2 font-semibold text-press"
            aria-expanded={open}
            onClick={() => {
              setOpen(!open);
            }}
          >
            {open ? 'fewer' : `${all.length - SHOWN} more`}
            <ChevronDown size={18} aria-hidden="true" className={open ? 'rotate-180' : ''} />
          </button>
        )}
      </div>
    </section>
  );
}
