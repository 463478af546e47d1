import { useState } from 'react';
import { Link } from 'react-router';
import type { PourAnswer } from '../../contract/index.ts';
import { pourDocSchema } from '#core/model';
import { EntryForm } from '../forms/EntryForm.tsx';
import { TextInput } from '../forms/fields.tsx';
import { useSession } from '../app/session.tsx';
import { sendJson } from '../sync/api.ts';
import { stampNow } from '../sync/clock.ts';
import type { PourDocWork } from './usePourDoc.ts';

const whySchema = pourDocSchema.shape.cancelled.unwrap().pick({ reason: true });

/**
 * How a pour stands: another like it, put off, called off for good, out of the way, or removed
 * while nothing was logged.
 */
export function StandingPart({
  record,
  work,
  onGone,
}: {
  record: PourAnswer;
  work: PourDocWork;
  onGone: () => void;
}) {
  const { pour } = record;
  const [asked, setAsked] = useState(false);
  const remove = async () => {
    const gone = await work.attempt(
      () => sendJson('DELETE', `/api/pours/${record.id}`),
      `${pour.code} is removed.`,
    );
    if (gone) onGone();
  };
  const archived = pour.archived === true;
  return (
    <div className="flex flex-col gap-5">
      <Link
        className="btn line"
        to={`/sites/${record.siteId}/pour?like=${encodeURIComponent(pour.code)}`}
      >
        Another pour like it
      </Link>
      {!archived && pour.date !== null && (
        <button
          type="button"
          className="btn line"
          onClick={() => void work.keep({ ...pour, date: null }, `${pour.code} has no date now.`)}
        >
          Put off, without a day yet
        </button>
      )}
      {!archived && <CallingOff record={record} work={work} />}
      <button
        type="button"
        className="btn line"
        onClick={() =>
          void work.keep(
            { ...pour, archived: !archived },
            archived ? `${pour.code} is back.` : `${pour.code} is archived: read only.`,
          )
        }
      >
        {archived ? 'Bring it back from the archive' : 'Archive, read only'}
      </button>
      <button
        type="button"
        className="btn warn"
        onClick={() => {
          if (asked) void remove();
          else setAsked(true);
        }}
      >
        {asked ? `Yes, remove ${pour.code}` : 'Remove, while nothing was logged'}
      </button>
    </div>
  );
}

/** Called off for good, with the reason; and that taken back. */
function CallingOff({ record, work }: { record: PourAnswer; work: PourDocWork }) {
  const { account } = useSession();
  const { pour } = record;
  const { cancelled, ...rest } = pour;
  if (cancelled)
    return (
      <div>
        <p className="mb-2">
          Called off by {cancelled.by}: {cancelled.reason}
        </p>
        <button
          type="button"
          className="btn line w-full"
          onClick={() => void work.keep(rest, `${pour.code} is on again.`)}
        >
          On again
        </button>
      </div>
    );
  return (
    <EntryForm
      schema={whySchema}
      defaults={{}}
      write={async ({ reason }) => {
        const at = new Date(stampNow()).toISOString();
        const off = { reason, by: account.name, at };
        const said = `${pour.code} is called off. It is kept.`;
        // Not kept it stands there still; why is said over it.
        if (!(await work.keep({ ...pour, cancelled: off }, said))) throw new Error('Not kept.');
      }}
      act="Call off"
      className="flex flex-col gap-2"
    >
      <TextInput name="reason" label="Call it off for good: why?" />
    </EntryForm>
  );
}
