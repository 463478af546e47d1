import { stampNow } from '../../sync/clock.ts';
import { refuseBreak, refuseStrip, stripWords } from '../../../core/cure/strip.ts';
import { useState } from 'react';
import {
  celsiusOf,
  clockText,
  strength,
  temperatureFigure,
  textOf,
  MPA_PER_PSI,
} from '../../../core/units/index.ts';
import { entries } from '../../../core/log/state.ts';
import { usePour, usePourLog } from '../../app/pour-context.tsx';
import { momentText } from '../../../core/view/stages/index.ts';
import { useFocus, useSetFocus } from '../../app/useFocus.ts';
import { LiveRoute } from '../../drawing/LiveRoute.tsx';
import { StrengthCurve } from '../../drawing/StrengthCurve.tsx';
import { useSize } from '../../drawing/useSize.ts';
import { Sheet } from '../../ui/Dialog.tsx';
import { Mark } from '../../ui/Mark.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { Big, T } from '../../ui/Text.tsx';
import { FigureWithWorking, Working } from '../../ui/Working.tsx';
import { strengthOrigin } from '../../app/origins.ts';

export function CureGround() {
  const v = usePour();
  const [boxRef, box] = useSize();
  const set = useSetFocus();
  return (
    <div ref={boxRef} className="h-full">
      {v.curing ? (
        <StrengthCurve
          width={box.width}
          height={box.height}
          curing={v.curing}
          fcMPa={v.mix.fcMPa}
          units={v.units}
          stripLabel={
            v.curing.stripMs === null ? 'not by this curve' : momentText(v, v.curing.stripMs)
          }
        />
      ) : (
        <div className="flex h-full flex-col justify-center gap-4 p-6">
          <p className="max-w-[40ch] text-[20px] leading-7">
            Curing is reckoned from the end of placing.{' '}
            {v.progress.startedMs === null
              ? `The pour is planned to end at ${clockText(v.plan.timetable.finishMin)}.`
              : 'Placing is not finished yet.'}
          </p>
          <LiveRoute
            width={box.width - 48}
            height={90}
            route={v.plan.route}
            progress={v.progress}
            nowMs={v.nowMs}
            onPick={() => {
              set({ sheet: null });
            }}
          />
        </div>
      )}
    </div>
  );
}

export function CureBench() {
  const v = usePour();
  const log = usePourLog();
  const { sheet, set } = useFocus();
  const c = v.curing;
  const close = () => {
    set({ sheet: null });
  };
  const words = c && stripWords(c, (ms) => momentText(v, ms), v.record.pour.elements);
  const defects = entries(v.state, 'defect');
  return (
    <div className="flex flex-col gap-3">
      {c ? (
        <>
          <div className="flex flex-wrap items-end gap-x-4">
            <FigureWithWorking name="the strength" {...strengthOrigin(v)}>
              <Big
                figure={strength(c.strengthMPa, v.units)}
                size={64}
                className={c.strip === 'may' ? 'text-good-t' : ''}
              />
            </FigureWithWorking>
            <p className="pb-1 text-[18px] leading-6">
              <b className="font-semibold">{words?.sentence}</b>
              <br />
              {textOf(strength(c.stripMPa, v.units))} and not before {c.floorH} h; now{' '}
              {c.ageH < 100 ? `${c.ageH.toFixed(1)} h` : `${(c.ageH / 24).toFixed(1)} days`}.
            </p>
          </div>
          <div className="rows border-y border-hair">
            {v.record.pour.elements.map((e) => (
              <p key={e} className="flex min-h-11 items-center gap-3 py-1">
                <Mark
                  verdict={c.stripped.includes(e) ? 'good' : c.strip === 'no' ? 'held' : 'unread'}
                />
                <b className="w-14">{e}</b>
                <span className="flex-1 truncate">{v.elementName(e)}</span>
                <span className="text-ink2">
                  {c.stripped.includes(e) ? 'forms off' : words?.run}
                </span>
              </p>
            ))}
          </div>
          <div className="grid grid-cols-2 gap-2">
            <button
              type="button"
              className={`btn ${c.measured && c.strip !== 'forecast' ? 'line' : ''}`}
              onClick={() => {
                set({ sheet: 'probe' });
              }}
            >
              Read temperature
            </button>
            <button
              type="button"
              className={`btn ${c.strip === 'may' && c.stripped.length < v.record.pour.elements.length ? '' : 'line'}`}
              onClick={() => {
                set({ sheet: 'strip' });
              }}
            >
              Strip
            </button>
            <button
              type="button"
              className="btn line"
              onClick={() => {
                set({ sheet: 'defect' });
              }}
            >
              Defect
            </button>
            <button
              type="button"
              className="btn line"
              onClick={() => {
                set({ sheet: 'break' });
              }}
            >
              Cylinder break
            </button>
          </div>
          <Working {...strengthOrigin(v)}>Strength, worked out</Working>
        </>
      ) : (
        <p className="text-[18px] leading-6">
          Nothing to cure yet. When the last run is full, its strength by temperature stands here,
          and when the forms may come off.
        </p>
      )}
      {defects.length > 0 && (
        <section>
          <h2 className="head border-b-2 border-ink pb-1">Defects</h2>
          <div className="rows">
            {defects.map((d) => (
              <p key={d.id} className="flex gap-3 py-2">
                <Mark verdict="tight" />
                <span className="flex-1">
                  <b>{d.body.elementId}</b> <T>{d.body.what}</T>
                </span>
              </p>
            ))}
          </div>
        </section>
      )}
      <section>
        <h2 className="head border-b-2 border-ink pb-1">Record</h2>
        <div className="mt-2 grid grid-cols-2 gap-2">
          <a
            className="btn line"
            href={`/api/pours/${v.record.id}/report.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            Report, PDF
          </a>
          <a className="btn line" href={`/api/pours/${v.record.id}/log.jsonl`} download>
            Log, with its chain
          </a>
          {v.closed ? (
            <button
              type="button"
              className="btn line"
              onClick={() => {
                set({ sheet: 'reopen' });
              }}
            >
              Open again
            </button>
          ) : (
            <button
              type="button"
              className="btn line"
              disabled={!c}
              onClick={() => {
                set({ sheet: 'close' });
              }}
            >
              Close the pour
            </button>
          )}
        </div>
        <p className="mt-2 text-ink2">
          {log.seq} entries on the server{log.unsent ? `, ${log.unsent} not sent yet` : ''}.{' '}
          {v.closed
            ? 'The pour is closed; what comes later, such as cylinder breaks, can still be added.'
            : ''}
        </p>
        <p className="mt-1 flex gap-2">
          <Mark verdict="held" />
          No backfill before the wall is strong and its top is held. Test results and the engineer
          rule over the curve.
        </p>
      </section>
      {sheet === 'probe' && <ProbeSheet onClose={close} />}
      {sheet === 'strip' && <StripSheet onClose={close} />}
      {sheet === 'break' && <BreakSheet onClose={close} />}
      {sheet === 'defect' && <DefectSheet onClose={close} />}
      {sheet === 'close' && <CloseSheet onClose={close} />}
      {sheet === 'reopen' && <ReopenSheet onClose={close} />}
      {sheet === 'report' && (
        <Sheet open onClose={close} title="Report">
          <p className="mb-4">
            Everything planned, checked, placed and cured, in one PDF, and the log with its chain of
            hashes.
          </p>
          <div className="grid grid-cols-2 gap-2">
            <a
              className="btn"
              href={`/api/pours/${v.record.id}/report.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              Open the report
            </a>
            <a className="btn line" href={`/api/pours/${v.record.id}/log.jsonl`} download>
              Export the log
            </a>
          </div>
        </Sheet>
      )}
    </div>
  );
}

interface P {
  onClose: () => void;
}

function ProbeSheet({ onClose }: P) {
  const v = usePour();
  const us = v.units === 'us';
  const [t, setT] = useState<number | null>(null);
  const [where, setWhere] = useState('');
  const c = t === null ? null : us ? celsiusOf(t) : t;
  const ok = c !== null && c >= -50 && c <= 100;
  return (
    <Sheet open onClose={onClose} title="Temperature of the concrete">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (ok)
            void v
              .write('probe', { tempC: c, ...(where.trim() ? { where: where.trim() } : {}) })
              .then(onClose);
        }}
      >
        <NumberField
          label={`Read, ${temperatureFigure(0, v.units).unit}`}
          value={t}
          onChange={setT}
          autoFocus
        />
        <label>
          Where
          <input
            className="field mt-1"
            value={where}
            onChange={(e) => {
              setWhere(e.target.value);
            }}
          />
        </label>
        <button className="btn" disabled={!ok}>
          Log temperature
        </button>
      </form>
    </Sheet>
  );
}

function StripSheet({ onClose }: P) {
  const v = usePour();
  const left = v.record.pour.elements.filter((e) => !v.curing?.stripped.includes(e));
  const [on, setOn] = useState(left);
  const [reason, setReason] = useState('');
  const cannot = refuseStrip(v.state, on, stampNow());
  const against = v.curing?.strip !== 'may';
  const ready = on.length > 0 && cannot === null && (!against || reason.trim() !== '');
  return (
    <Sheet open onClose={onClose} title="Forms off">
      {against && (
        <p className="mb-3 font-semibold text-chalk-t">
          {v.curing
            ? stripWords(v.curing, (ms) => momentText(v, ms), v.record.pour.elements).sentence
            : 'Placing is not finished.'}{' '}
          Taken off all the same, it stands on the report with its reason.
        </p>
      )}
      <div className="mb-4 flex flex-wrap gap-2">
        {left.map((e) => (
          <button
            key={e}
            type="button"
            className="chip"
            aria-pressed={on.includes(e)}
            onClick={() => {
              setOn(on.includes(e) ? on.filter((x) => x !== e) : [...on, e]);
            }}
          >
            {e}
          </button>
        ))}
      </div>
      {against && left.length > 0 && (
        <label className="mb-4 block">
          Why, and who allowed it
          <input
            className="field mt-1"
            maxLength={500}
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
      )}
      {cannot && left.length > 0 && on.length > 0 && (
        <p className="mb-3 font-semibold text-chalk-t" role="alert">
          {cannot}
        </p>
      )}
      {left.length === 0 ? (
        <p>All forms are off.</p>
      ) : (
        <button
          type="button"
          className="btn w-full"
          disabled={!ready}
          onClick={() => {
            void v
              .write('strip', {
                elementIds: on,
                ...(against ? { reason: reason.trim() } : {}),
              })
              .then(onClose);
          }}
        >
          Forms are off {on.length} of {left.length}
        </button>
      )}
    </Sheet>
  );
}

function BreakSheet({ onClose }: P) {
  const v = usePour();
  const us = v.units === 'us';
  const [days, setDays] = useState<number | null>(7);
  const [s, setS] = useState<number | null>(null);
  const mpa = s === null ? null : us ? s * MPA_PER_PSI : s;
  const cannot = days === null ? null : refuseBreak(v.state, days, stampNow());
  const ok =
    mpa !== null &&
    mpa > 0 &&
    mpa <= 200 &&
    days !== null &&
    days > 0 &&
    days <= 400 &&
    cannot === null;
  return (
    <Sheet open onClose={onClose} title="Cylinder break">
      <form
        className="grid grid-cols-2 gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (ok) void v.write('break-test', { ageDays: days, strengthMPa: mpa }).then(onClose);
        }}
      >
        <NumberField label="Age, days" value={days} onChange={setDays} />
        <NumberField
          label={`Mean of its cylinders, ${us ? 'psi' : 'MPa'}`}
          value={s}
          onChange={setS}
          autoFocus
        />
        {cannot && (
          <p className="col-span-2 font-semibold text-chalk-t" role="alert">
            {cannot}
          </p>
        )}
        <button className="btn col-span-2" disabled={!ok}>
          Log break
        </button>
      </form>
    </Sheet>
  );
}

function DefectSheet({ onClose }: P) {
  const v = usePour();
  const [e, setE] = useState(v.record.pour.elements[0] ?? '');
  const [what, setWhat] = useState('');
  return (
    <Sheet open onClose={onClose} title="Defect">
      <form
        className="flex flex-col gap-3"
        onSubmit={(x) => {
          x.preventDefault();
          if (what.trim())
            void v.write('defect', { elementId: e, what: what.trim() }).then(onClose);
        }}
      >
        <div className="flex flex-wrap gap-2">
          {v.record.pour.elements.map((x) => (
            <button
              key={x}
              type="button"
              className="chip"
              aria-pressed={x === e}
              onClick={() => {
                setE(x);
              }}
            >
              {x}
            </button>
          ))}
        </div>
        <label>
          What, where, how large, and its repair
          <textarea
            autoFocus
            className="field mt-1"
            rows={3}
            value={what}
            onChange={(x) => {
              setWhat(x.target.value);
            }}
          />
        </label>
        <button className="btn" disabled={!what.trim()}>
          Log defect
        </button>
      </form>
    </Sheet>
  );
}

function CloseSheet({ onClose }: P) {
  const v = usePour();
  const [reason, setReason] = useState('');
  const off = v.curing && v.curing.stripped.length >= v.record.pour.elements.length;
  return (
    <Sheet open onClose={onClose} title="Close the pour">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (off || reason.trim())
            void v.write('close', reason.trim() ? { reason: reason.trim() } : {}).then(onClose);
        }}
      >
        {!off && (
          <p className="font-semibold text-ochre-t">
            Not all forms are off. Say why it is closed now.
          </p>
        )}
        <label>
          Remark
          <input
            className="field mt-1"
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
        <button className="btn" disabled={!off && !reason.trim()}>
          Close {v.record.pour.code}
        </button>
      </form>
    </Sheet>
  );
}

function ReopenSheet({ onClose }: P) {
  const v = usePour();
  const [reason, setReason] = useState('');
  return (
    <Sheet open onClose={onClose} title="Open again">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (reason.trim()) void v.write('reopen', { reason: reason.trim() }).then(onClose);
        }}
      >
        <label>
          Why
          <input
            autoFocus
            className="field mt-1"
            value={reason}
            onChange={(e) => {
              setReason(e.target.value);
            }}
          />
        </label>
        <button className="btn" disabled={!reason.trim()}>
          Open {v.record.pour.code} again
        </button>
      </form>
    </Sheet>
  );
}
