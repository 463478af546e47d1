import { fix } from '#core/log';
import { FormField } from '../../forms/FormField.tsx';
import { usePostForm, words } from '../../forms/usePostForm.ts';
import { useLikeliest } from './Pads.tsx';

const schema = fix.body.pick({ what: true });

/** A failed point asks what was done about it; then it is read again. */
export function FixForm({
  advice,
  onFix,
  onWaive,
}: {
  advice: string;
  onFix: (what: string) => Promise<unknown>;
  onWaive: (reason: string) => Promise<unknown>;
}) {
  const form = usePostForm(schema, { what: '' }, async ({ what }) => {
    await onFix(what);
  });
  const { ref, guarded } = useLikeliest();
  const done = advice.replace(/,? and read (the string )?again\./, '.').replace(/\.$/, '');
  return (
    <div className="flex flex-col gap-2" role="group" aria-label="Fix">
      <p className="text-[18px] font-semibold leading-6">{advice}</p>
      <button
        ref={ref}
        data-likeliest
        type="button"
        className="btn min-h-[56px]"
        onClick={guarded(() => void onFix(done))}
      >
        Done: {done}
      </button>
      <form
        className="grid grid-cols-[1fr_auto_auto] items-end gap-2"
        noValidate
        onSubmit={(e) => void form.submit(e)}
      >
        <FormField
          label="What was done, if something else"
          {...form.field('what', { setValueAs: words })}
        />
        <button className="btn line" disabled={form.busy}>
          Fixed
        </button>
        <button
          type="button"
          className="btn warn"
          disabled={form.busy}
          onClick={() =>
            void form.handleSubmit(({ what }) => onWaive(what).then(() => undefined))()
          }
        >
          Waive
        </button>
      </form>
    </div>
  );
}
