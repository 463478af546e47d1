import { typeChanges } from '#core/check';
import { usePour } from '../../app/pour-context.tsx';
import { SectionDrawing } from '../../drawing/section/SectionDrawing.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { T } from '../../ui/Text.tsx';

/** Two types where they meet, before and after, at one scale: seen once, and kept in the log that it was. */
export function ChangeSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [boxRef, box] = useSize();
  const change = typeChanges(v.record.site, v.record.pour.elements).find((c) => c.id === id);
  if (!change) return null;
  const half = Math.max(0, (box.width - 12) / 2);
  return (
    <Sheet open onClose={onClose} title={`${change.toType} takes over at ${change.nodeId}`}>
      <div ref={boxRef} className="grid grid-cols-2 gap-3">
        {[
          [change.fromRun, change.fromType],
          [change.toRun, change.toType],
        ].map(([run = '', type = ''], i) => (
          <figure key={i}>
            <SectionDrawing
              site={v.record.site}
              elementId={run}
              besides={[change.fromRun, change.toRun]}
              width={half}
              height={190}
            />
            <figcaption className="text-center">
              <b className="font-semibold">{run}</b>, {type}
            </figcaption>
          </figure>
        ))}
      </div>
      <ul className="rows my-3 border-y-2 border-ink text-[18px] leading-6">
        {change.words.map((w) => (
          <li key={w} className="py-1.5">
            <T>{w}</T>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn w-full"
        onClick={() => {
          void v.write('seen', { change: change.id }).then(onClose);
        }}
      >
        Seen: {change.toRun} is {change.toType}
      </button>
    </Sheet>
  );
}
