import { useState } from 'react';
import { Link } from 'react-router';
import { type Calculation, labelOf, resultRows, sentenceIn } from '#core/kit';
import { type FieldInfo, fieldsOf } from '#core/register';
import { localDate } from '#core/weather';
import { usePour } from '../../app/pour-context.tsx';
import { useSession } from '../../app/session.tsx';
import { momentText } from '#core/view';
import { useWide } from '../../app/useWide.ts';
import { WorkDrawing } from '../../drawing/workbench/index.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Mark } from '../../ui/Mark.tsx';
import { T } from '../../ui/Text.tsx';
import { RulesBehind, Steps } from '../../ui/WorkingSheet.tsx';
import { isOwn } from './defaults.ts';
import { headlineOf } from './headline.ts';
import { InputForm } from './InputForm.tsx';
import { CalculationList, Kept } from './CalculationList.tsx';
import { KeepForm, Rows } from './KeepForm.tsx';
import { useWork, type Work } from './useWork.ts';

export function WorkGround() {
  const v = usePour();
  const { work, setInput } = useWork();
  const wide = useWide();
  const [boxRef, box] = useSize();
  if (!work)
    return wide ? (
      <div className="h-full overflow-auto p-6">
        <CalculationList columns />
      </div>
    ) : (
      <div className="flex h-full items-center gap-4 p-4">
        <p className="text-[18px] leading-6">
          Any calculation by itself, in this site’s units, with what this pour and its rules already
          say.
        </p>
      </div>
    );
  const { calc, out } = work;
  const missing = missingOf(work);
  const headline = out ? headlineOf(calc.id, out.result, v.units) : null;
  return (
    <div className="flex h-full flex-col">
      <div className="px-5 pt-4 max-sm:px-4 max-sm:pt-2">
        <PrintHead calc={calc} />
        {wide && (
          <div className="no-print">
            <h2 className="head text-[24px] leading-7">{calc.title}</h2>
            <p className="max-w-[70ch] text-ink2">{calc.purpose}</p>
          </div>
        )}
        {headline && (
          <p
            className={`flex flex-wrap items-baseline gap-x-4 ${wide ? 'pt-2' : ''}`}
            aria-live="polite"
            data-result
          >
            <span
              className={`big text-[56px] leading-[60px] max-sm:text-[40px] max-sm:leading-[44px] ${headline.bad ? 'text-chalk-t' : ''}`}
            >
              <T>{headline.figure}</T>
            </span>
            <span className="text-[18px] font-semibold leading-6">
              <T>{headline.words}</T>
            </span>
          </p>
        )}
        {!out && missing.length > 0 && <Waiting work={work} missing={missing} onFill={setInput} />}
        {!out && missing.length === 0 && (
          <p
            className="flex gap-2 pt-2 text-[18px] font-semibold leading-6 text-chalk-t"
            role="alert"
          >
            <Mark verdict="out" />
            {work.issues.length === 1 ? 'One field' : `${work.issues.length} fields`} to put right.
            {work.issues[0] &&
              ` ${labelOf(work.issues[0].path.split('.').findLast((p) => !/^\d+$/.test(p)) ?? '')} ${work.issues[0].message}.`}
          </p>
        )}
      </div>
      <div ref={boxRef} className="min-h-0 flex-1">
        {out && box.width > 0 && (
          <WorkDrawing
            id={calc.id}
            input={out.input as Record<string, unknown>}
            result={out.result}
            units={v.units}
            width={box.width}
            height={box.height}
          />
        )}
      </div>
    </div>
  );
}

/** The fields that are wanted and not there; none while something that is there is wrong: that is said first. */
function missingOf({ input, issues }: Work): string[] {
  const names = [...new Set(issues.map((i) => i.path.split('.')[0] ?? ''))];
  return names.every((n) => input[n] === undefined) ? names : [];
}

/** Says what a calculation waits for; an example is put in only when it is asked for. */
function Waiting({
  work,
  missing,
  onFill,
}: {
  work: Work;
  missing: string[];
  onFill: (next: Record<string, unknown>) => void;
}) {
  const v = usePour();
  return (
    <div className="flex flex-col items-start gap-3 pt-2" data-waiting>
      <p className="flex gap-2 text-[18px] font-semibold leading-6" role="status">
        <Mark verdict="unread" />
        Waits for what {v.record.pour.code} does not say: {missing.map(labelOf).join(', ')}.
      </p>
      <button
        type="button"
        className="btn line no-print"
        onClick={() => {
          onFill({ ...work.start.example, ...work.input });
        }}
      >
        Try it with an example
      </button>
    </div>
  );
}

export function WorkBench() {
  const v = usePour();
  const wide = useWide();
  const { work, setInput } = useWork();
  const [openUsual, setOpenUsual] = useState(false);
  if (!work)
    return (
      <div className="flex flex-col gap-4">
        <Kept />
        {!wide && <CalculationList />}
      </div>
    );
  const { calc, input, out, start, issues } = work;
  const fields = calc.id === 'takeoff' ? [] : fieldsOf(calc).filter((f) => !isOwn(calc.id, f));
  const usual = fields.filter(
    (f) => !f.required && (f.standing !== undefined || start.from[f.name]?.kind === 'rule'),
  );
  // What was never put in is not yet wrong: only what stands there is marked.
  const shown = issues.filter((i) => input[i.path.split('.')[0] ?? ''] !== undefined);
  // A bad value keeps its group open, so that what is being typed never moves.
  const wrongIn = (list: FieldInfo[]) =>
    shown.some((i) => list.some((f) => i.path === f.name || i.path.startsWith(`${f.name}.`)));
  const main = fields.filter((f) => !usual.includes(f));
  const untouched = (k: string) => JSON.stringify(input[k]) === JSON.stringify(start.input[k]);
  const notes = Object.fromEntries(
    Object.entries(start.from).map(([k, f]) => {
      const whence = f.kind === 'pour' ? `as ${v.record.pour.code} has it` : f.text;
      return [k, untouched(k) ? whence : ''];
    }),
  );
  // Once one of them is changed the figures are the foreman's own.
  const made = Object.entries(start.example);
  if (made.every(([k, x]) => JSON.stringify(input[k]) === JSON.stringify(x)))
    for (const [k] of made) notes[k] = 'an example';
  const own = calc.id === 'takeoff' || fieldsOf(calc).some((f) => isOwn(calc.id, f));
  return (
    <div className="flex flex-col gap-4" key={calc.id}>
      <div className="no-print flex items-center justify-between gap-3">
        <h2 className="head text-[20px] leading-6 sm:hidden">{calc.title}</h2>
        <Link
          className="font-semibold text-press underline underline-offset-4"
          to={`/pours/${v.record.id}/workbench`}
        >
          All calculations
        </Link>
      </div>
      {own && (
        <p className="text-ink2">
          Works on this pour as it stands: {v.record.pour.code} {v.record.pour.title}.
        </p>
      )}
      <div className="no-print flex flex-col gap-4">
        <InputForm
          key={`main ${calc.id}`}
          id={calc.id}
          fields={main}
          value={input}
          onChange={setInput}
          units={v.units}
          issues={shown}
          notes={notes}
        />
        {usual.length > 0 && (
          <details
            open={openUsual || wrongIn(usual)}
            onToggle={(e) => {
              setOpenUsual(e.currentTarget.open);
            }}
          >
            <summary className="min-h-12 cursor-pointer py-3 font-semibold text-press">
              Usual values and rules of this site ({usual.length})
            </summary>
            <InputForm
              key={`usual ${calc.id}`}
              id={calc.id}
              fields={usual}
              value={input}
              onChange={setInput}
              units={v.units}
              issues={shown}
              notes={notes}
            />
          </details>
        )}
      </div>
      {!own && (
        <div className="print-only">
          <Rows title="Put in" rows={resultRows(calc.id, input, v.units)} />
        </div>
      )}
      {out && <Rows title="Result" rows={resultRows(calc.id, out.result, v.units)} />}
      <KeepForm
        calc={calc}
        input={input}
        ready={out !== null}
        onReset={() => {
          setInput(null);
        }}
        own={own}
      />
      <section>
        <h2 className="head border-b-2 border-ink pb-0.5">Working</h2>
        <p className="my-2 border-l-4 border-line pl-3 text-ink2 [overflow-wrap:anywhere]">
          {calc.formula}
        </p>
        {out && <Steps steps={out.steps} />}
      </section>
      <RulesBehind id={calc.id} input={input} />
      {out?.cautions.map((c) => (
        <p key={c} className="flex gap-2">
          <Mark verdict="held" />
          {sentenceIn(c, v.units)}
        </p>
      ))}
      <p className="text-[14px] leading-[18px] text-ink2">
        Source: {calc.source}. {calc.limits}
      </p>
    </div>
  );
}

/** What heads the paper: which calculation, whose, where and when. */
function PrintHead({ calc }: { calc: Calculation }) {
  const v = usePour();
  const { account } = useSession();
  return (
    <header className="print-only">
      <p className="head text-[24px] leading-8">{calc.title}</p>
      <p>
        {v.record.pour.code} {v.record.pour.title}, {v.record.site.name}. {account.name},{' '}
        {localDate(v.nowMs, v.record.site.timeZone)} {momentText(v, v.nowMs)}.
      </p>
    </header>
  );
}
