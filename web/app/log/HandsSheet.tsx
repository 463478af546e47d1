import { hand, visitor } from '#core/log';
import { type Hours, hoursOf } from '#core/pourlog';
import { durationText } from '#core/units';
import { momentText } from '#core/view';
import { EntryForm } from '../../forms/EntryForm.tsx';
import { TextInput } from '../../forms/fields.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { usePour } from '../pour-context.tsx';

/** Who is on the pour: the hours of every hand, a press on and a press off, and who visits. */
export default function HandsSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const known = hoursOf(v.state, v.nowMs);
  const crew = (v.record.site.crew ?? [])
    .filter((c) => !known.some((h) => h.name === c.name))
    .map((c): Hours => ({ name: c.name, job: c.role || null, onMs: null, minutes: 0 }));
  const all = [...known, ...crew];
  const off = all.filter((h) => h.onMs === null && h.minutes === 0);
  return (
    <Sheet open onClose={onClose} title="Who is here">
      {off.length > 1 && (
        <button
          type="button"
          className="btn mb-2 w-full"
          onClick={() => {
            for (const h of off) void put(v, h.name, 'on');
          }}
        >
          All {off.length} on
        </button>
      )}
      <ul className="rows mb-4">
        {all.map((h) => (
          <Hand key={h.name} hours={h} />
        ))}
      </ul>
      <EntryForm
        schema={hand.body}
        defaults={{ to: 'on', name: '' }}
        write={(body) => v.write('hand', body)}
        act="On"
        className="mb-4 grid grid-cols-[1fr_auto] items-end gap-2"
      >
        <TextInput name="name" label="Somebody else of the crew" />
      </EntryForm>
      <EntryForm
        schema={visitor.body}
        defaults={{ name: '' }}
        write={(body) => v.write('visitor', body).then(onClose)}
        act="Log the visitor"
        className="grid grid-cols-2 items-end gap-2"
      >
        <TextInput name="name" label="Visitor" />
        <TextInput name="why" label="Why" />
      </EntryForm>
    </Sheet>
  );
}

const put = (v: ReturnType<typeof usePour>, name: string, to: 'on' | 'off') =>
  v.write('hand', { name, to }).catch(() => undefined);

function Hand({ hours: h }: { hours: Hours }) {
  const v = usePour();
  return (
    <li className="flex items-center gap-3 py-1.5" data-hand={h.name}>
      <span className="min-w-0 flex-1">
        <b className="font-semibold">{h.name}</b>
        {h.job ? <span className="text-ink2"> {h.job}</span> : null}
        <span className="block text-[14px] leading-[18px] text-ink2">
          {h.onMs === null ? '' : `on since ${momentText(v, h.onMs)}`}
          {h.minutes > 0 ? `${h.onMs === null ? '' : ', '}${durationText(h.minutes)} in all` : ''}
        </span>
      </span>
      <button
        type="button"
        className="chip"
        aria-label={`${h.name} ${h.onMs === null ? 'on' : 'off'}`}
        onClick={() => void put(v, h.name, h.onMs === null ? 'on' : 'off')}
      >
        {h.onMs === null ? 'On' : 'Off'}
      </button>
    </li>
  );
}
