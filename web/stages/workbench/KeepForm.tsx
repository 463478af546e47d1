import type { Calculation, ResultRow } from '#core/kit';
import { worked } from '#core/log';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { FormField } from '../../forms/FormField.tsx';
import { usePostForm, words } from '../../forms/usePostForm.ts';
import { say } from '../../ui/say.ts';
import { T } from '../../ui/Text.tsx';

/** Lines of a result or an input in words, lists as small tables. */
export function Rows({ title, rows }: { title: string; rows: ResultRow[] }) {
  return (
    <section aria-label={title}>
      <h2 className="head border-b-2 border-ink pb-0.5">{title}</h2>
      <dl className="rows">
        {rows.map((r, i) =>
          r.table ? (
            <div key={`${i} ${r.label}`} className="overflow-x-auto py-1.5">
              <dt className="text-ink2">{r.label}</dt>
              <dd>
                <table className="w-full text-right tnum">
                  <thead>
                    <tr>
                      {r.table.head.map((h) => (
                        <th key={h} className="px-1 font-normal text-ink2 first:text-left">
                          {h}
                        </th>
                      ))}
                    </tr>
                  </thead>
                  <tbody className="rows">
                    {r.table.rows.slice(0, 60).map((cells, i) => (
                      <tr key={i}>
                        {cells.map((c, k) => (
                          <td key={k} className="px-1 py-1 align-top first:text-left">
                            <T>{c}</T>
                          </td>
                        ))}
                      </tr>
                    ))}
                  </tbody>
                </table>
              </dd>
            </div>
          ) : (
            <div key={`${i} ${r.label}`} className="flex justify-between gap-4 py-1.5">
              <dt className="text-ink2">{r.label}</dt>
              <dd className="text-right font-semibold [overflow-wrap:anywhere]">
                <T>{r.text ?? ''}</T>
              </dd>
            </div>
          ),
        )}
      </dl>
    </section>
  );
}

const noteSchema = worked.body.pick({ note: true });

/** A calculation kept with the pour, printed, or begun again. */
export function KeepForm({
  calc,
  input,
  ready,
  onReset,
  own,
}: {
  calc: Calculation;
  input: Record<string, unknown>;
  ready: boolean;
  onReset: () => void;
  own: boolean;
}) {
  const v = usePour();
  const { account } = useSession();
  const may = account.role === 'foreman' || account.role === 'crew';
  const form = usePostForm(noteSchema, { note: '' }, async ({ note }) => {
    if (!ready || !may || own) return;
    await v.write('worked', { calculation: calc.id, input, ...(note ? { note } : {}) });
    say(`Kept with ${v.record.pour.code}; it stands in the log and on the report.`);
  });
  return (
    <form className="no-print flex flex-col gap-2" noValidate onSubmit={(e) => void form.submit(e)}>
      {may && !own && (
        <FormField
          label="What it is for"
          placeholder="north wall, second lift"
          {...form.field('note', { setValueAs: words })}
        />
      )}
      <div className="grid grid-cols-3 gap-2">
        {!own && (
          <button className="btn" disabled={!ready || !may || form.busy}>
            Keep
          </button>
        )}
        <button
          type="button"
          className="btn line"
          disabled={!ready}
          onClick={() => {
            window.print();
          }}
        >
          Print
        </button>
        <button type="button" className="btn line" onClick={onReset}>
          Start again
        </button>
      </div>
    </form>
  );
}
