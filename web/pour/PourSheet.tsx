import { useState } from 'react';
import { SiteContext } from '../app/site-context.tsx';
import { useSiteClock } from '../sync/clock.ts';
import { useSiteAnswer } from '../site/useSiteAnswer.ts';
import { Sheet } from '../ui/Dialog.tsx';
import { HeadPart } from './HeadPart.tsx';
import { MorePart } from './MorePart.tsx';
import { RunsPart } from './RunsPart.tsx';
import { StandingPart } from './StandingPart.tsx';
import { usePourDoc } from './usePourDoc.ts';

const PARTS = [
  ['head', 'What and when'],
  ['runs', 'Runs'],
  ['more', 'Order and stripping'],
  ['standing', 'Standing'],
] as const;

/** Everything a pour's record says, changed in place. */
export default function PourSheet({
  pourId,
  siteId,
  onClose,
}: {
  pourId: string;
  siteId: string;
  onClose: () => void;
}) {
  const work = usePourDoc(pourId);
  const { data: of, view } = useSiteAnswer(siteId);
  const { nowMs } = useSiteClock();
  const [part, setPart] = useState<(typeof PARTS)[number][0]>('head');
  const { record, problem } = work;
  const archived = record?.pour.archived === true;
  const shown = archived ? 'standing' : part;
  return (
    <Sheet
      open
      onClose={onClose}
      title={record ? `${record.pour.code} ${record.pour.title}` : ''}
      wide
    >
      <div className="mb-4 flex flex-wrap gap-2" role="group" aria-label="What of it">
        {PARTS.map(([id, words]) => (
          <button
            key={id}
            type="button"
            className="chip"
            disabled={archived && id !== 'standing'}
            aria-pressed={id === shown}
            onClick={() => {
              setPart(id);
            }}
          >
            {words}
          </button>
        ))}
      </div>
      {problem && (
        <p role="alert" className="mb-3 font-semibold text-chalk-t">
          {problem}
        </p>
      )}
      {record && of && view && (
        <SiteContext value={view}>
          {shown === 'head' && (
            <HeadPart key={record.version} record={record} work={work} nowMs={nowMs} />
          )}
          {shown === 'runs' && <RunsPart record={record} of={of} work={work} />}
          {shown === 'more' && <MorePart key={record.version} record={record} work={work} />}
          {shown === 'standing' && <StandingPart record={record} work={work} onGone={onClose} />}
        </SiteContext>
      )}
    </Sheet>
  );
}
