import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { WHOLE_POUR } from '#core/check';
import { standsOf } from '#core/model';
import { questionsOf } from '#core/log';
import { textOf, volume } from '#core/units';
import { Sheet } from '../ui/Dialog.tsx';
import { Mark, VERDICT_WORD } from '../ui/Mark.tsx';
import { usePour } from './pour-context.tsx';
import { type PourView } from './pour-view.ts';
import { focusUrl } from './useFocus.ts';

interface Found {
  key: string;
  name: string;
  words: string;
  url: string;
  verdict?: PourView['gate']['rows'][number]['verdict'];
}
/** Shown at most: one more letter narrows it down. */
const MOST = 30;

/** Everything of a pour that has a name: runs, checks, questions, loads. */
function everything(v: PourView): Found[] {
  const { site, pour, id } = v.record;
  const types = new Map([
    ...site.runs.map((r) => [r.id, r.type] as const),
    ...standsOf(site).map((s) => [s.id, s.type] as const),
  ]);
  return [
    ...pour.elements.map((e): Found => ({
      key: `run ${e}`,
      name: e,
      words: `${v.elementName(e) === e ? '' : `${v.elementName(e)}, `}${types.get(e) ?? ''}`,
      url: focusUrl(id, 'setout', { run: e }),
    })),
    ...questionsOf(v.state).map(({ id: key, entry: q }): Found => ({
      key,
      name: `Question ${q.body.number}`,
      words: q.body.text,
      url: focusUrl(id, 'check', { sheet: `answer:${key}` }),
    })),
    ...v.loads.map((l): Found => ({
      key: `load ${l.id}`,
      name: `Load ${l.id.replace('L', '')}`,
      words: [
        l.ticket ? `ticket ${l.ticket}` : 'not here yet',
        textOf(volume(l.volumeM3 ?? l.plannedM3 ?? 0, v.units)),
      ].join(', '),
      url: focusUrl(id, 'pour', {}),
    })),
    ...v.points.map((p): Found => ({
      key: p.point.id,
      name: `${p.point.elementId === WHOLE_POUR ? 'Pour' : p.point.elementId} ${p.point.title.toLowerCase()}`,
      words: p.wanted > 1 ? `${p.read} of ${p.wanted} read` : '',
      verdict: p.verdict,
      url: focusUrl(id, 'check', {
        run: p.point.elementId,
        check: p.point.id,
        place: Math.max(
          0,
          p.places.findIndex((x) => x.verdict === 'out' || x.verdict === 'unread'),
        ),
      }),
    })),
  ];
}

function foundWords(n: number): string {
  if (n === 0) return 'Nothing has these words in it.';
  return n > MOST ? `${n} found, ${MOST} shown. ` : `${n} found. `;
}

/** Finds by any words of a name: every word typed has to be in it, in any order. */
export default function FindSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const all = useMemo(() => everything(v), [v]);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length
    ? all
        .filter((f) => {
          const hay = `${f.name} ${f.words}`.toLowerCase();
          return words.every((w) => hay.includes(w));
        })
        .sort(
          (a, b) =>
            Number(!a.name.toLowerCase().startsWith(words[0] ?? '')) -
            Number(!b.name.toLowerCase().startsWith(words[0] ?? '')),
        )
    : all.slice(0, v.record.pour.elements.length);
  const go = (f: Found | undefined) => {
    if (f) void navigate(f.url);
  };
  return (
    <Sheet open onClose={onClose} title="Find">
      <form
        onSubmit={(e) => {
          e.preventDefault();
          go(found[0]);
        }}
      >
        <input
          autoFocus
          className="field text-[20px]!"
          aria-label="A run, a check, a question or a load"
          placeholder="east cover, 88210, question 7"
          value={text}
          onChange={(e) => {
            setText(e.target.value);
          }}
          autoComplete="off"
        />
      </form>
      <p className="pt-2 text-ink2" aria-live="polite">
        {words.length > 0 && foundWords(found.length)}
        {found.length > 0 && 'Enter goes to the first.'}
      </p>
      <ul className="rows mt-2 max-h-[52dvh] overflow-auto border-y-2 border-ink">
        {found.slice(0, MOST).map((f) => (
          <li key={f.key}>
            <button
              type="button"
              className="flex min-h-12 w-full items-center gap-3 text-left"
              onClick={() => {
                go(f);
              }}
            >
              {f.verdict && <Mark verdict={f.verdict} size={18} label={VERDICT_WORD[f.verdict]} />}
              <b className="font-semibold">{f.name}</b>
              <span className="min-w-0 flex-1 truncate text-ink2">{f.words}</span>
            </button>
          </li>
        ))}
      </ul>
    </Sheet>
  );
}
