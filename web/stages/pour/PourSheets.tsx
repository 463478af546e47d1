import { useState, type SubmitEvent } from 'react';
import {
  celsiusOf,
  KM_PER_MI,
  lengthText,
  temperatureFigure,
  M3_PER_YD3,
  textOf,
  volume,
} from '../../../core/units/index.ts';
import { MOST_SLUMP_MM } from '../../../core/log/kinds/slump.ts';
import { judgeSlump, speaksAgainst } from '../../../core/pourlog/loads.ts';
import { latest } from '../../../core/log/state.ts';
import { stampNow } from '../../sync/clock.ts';
import { usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { TapePad } from '../../tape/TapePad.tsx';
import { Sheet } from '../../ui/Dialog.tsx';
import { StartSheet } from './StartSheet.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { T } from '../../ui/Text.tsx';

/** Sheets of pour day. Each asks for the least that has to be seen; times are now unless said otherwise. */
export function PourSheets() {
  const { sheet, set } = useFocus();
  const v = usePour();
  const close = () => {
    set({ sheet: null });
  };
  if (!sheet) return null;
  const [kind, ref = ''] = sheet.split(':');
  const here = v.loads.find(
    (l) => l.arrivedAt !== null && l.endedAt === null && l.decision !== 'reject',
  )?.id;
  const loadId = ref === 'here' || ref === '' ? (here ?? '') : ref;
  switch (kind) {
    case 'load':
      return (
        <LoadSheet
          id={
            ref === 'next'
              ? (v.loads.find((l) => l.arrivedAt === null)?.id ?? `L${v.loads.length + 1}`)
              : ref
          }
          onClose={close}
        />
      );
    case 'slump':
      return loadId ? <SlumpSheet id={loadId} onClose={close} /> : null;
    case 'decide':
      return loadId ? <DecideSheet id={loadId} onClose={close} /> : null;
    case 'end':
      return loadId ? <EndSheet id={loadId} onClose={close} /> : null;
    case 'start':
      return <StartSheet loadId={here} onClose={close} />;
    case 'stop':
      return <StopSheet onClose={close} />;
    case 'weather':
      return <WeatherSheet onClose={close} />;
    case 'note':
      return <NoteSheet onClose={close} />;
    default:
      return null;
  }
}

const perUnit = (us: boolean) => (us ? M3_PER_YD3 : 1);

function LoadSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const us = v.units === 'us';
  const i = v.plan.loadIds.indexOf(id);
  const planned = v.plan.trucks.result.loads[i];
  const [ticket, setTicket] = useState('');
  // A load beyond the plan is most likely what the balance still asks for, in the plant's steps.
  const missing =
    v.progress.balanceM3 > 0
      ? Math.ceil(v.progress.balanceM3 / v.plant.stepM3) * v.plant.stepM3
      : null;
  const expected = planned?.volumeM3 ?? missing;
  const [vol, setVol] = useState<number | null>(
    expected === null ? null : Math.round((expected / perUnit(us)) * 100) / 100,
  );
  const [age, setAge] = useState<number | null>(Math.round(v.plant.travel.medianMin));
  const [temp, setTemp] = useState<number | null>(null);
  const ready =
    ticket.trim() !== '' &&
    vol !== null &&
    vol > 0 &&
    vol * perUnit(us) <= 20 &&
    age !== null &&
    age >= 0 &&
    age < 600;
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (!ready) return;
    const nowMs = stampNow();
    const tempC = temp === null ? undefined : us ? celsiusOf(temp) : temp;
    void v
      .write(
        'load-arrived',
        {
          loadId: id,
          ticket: ticket.trim(),
          volumeM3: vol * perUnit(us),
          batchedAt: new Date(nowMs - age * 60_000).toISOString(),
          ...(tempC === undefined ? {} : { concreteTempC: tempC }),
        },
        { atMs: nowMs },
      )
      .then(onClose);
  };
  return (
    <Sheet open onClose={onClose} title={`Load ${id.replace('L', '')} is here`}>
      <form className="grid grid-cols-2 gap-3" onSubmit={submit}>
        <label className="col-span-2">
          Ticket number
          <input
            autoFocus
            className="field mt-1"
            inputMode="numeric"
            value={ticket}
            onChange={(e) => {
              setTicket(e.target.value);
            }}
          />
        </label>
        <NumberField label={`Volume, ${us ? 'yd³' : 'm³'}`} value={vol} onChange={setVol} />
        <NumberField label="Batched, minutes ago" value={age} onChange={setAge} />
        <NumberField
          label={`Concrete, ${us ? '°F' : '°C'}, if read`}
          value={temp}
          onChange={setTemp}
        />
        <button className="btn self-end" disabled={!ready}>
          Log load
        </button>
      </form>
    </Sheet>
  );
}

function SlumpSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [where, setWhere] = useState<'truck' | 'hose'>('truck');
  const [mm, setMm] = useState<number | null>(null);
  const tooMuch = `A slump is between 0 and ${lengthText(MOST_SLUMP_MM, v.units)}.`;
  const judged =
    mm !== null && mm >= 0 && mm <= MOST_SLUMP_MM
      ? judgeSlump(v.mix, v.record.site.ruleProfile, mm, where).result
      : null;
  return (
    <Sheet open onClose={onClose} title={`Slump of load ${id.replace('L', '')}`}>
      <div className="mb-3 flex gap-2">
        {(['truck', 'hose'] as const).map((w) => (
          <button
            key={w}
            type="button"
            className="chip"
            aria-pressed={where === w}
            onClick={() => {
              setWhere(w);
            }}
          >
            at the {w}
          </button>
        ))}
      </div>
      <TapePad
        of={id}
        units={v.units}
        signed={false}
        onTyping={setMm}
        takeLabel="Take"
        onTake={(read) =>
          void v.write('slump', { loadId: id, measuredMm: read, where }).then(onClose)
        }
        refuse={(read) => (read <= MOST_SLUMP_MM ? null : tooMuch)}
        echo={
          judged && mm !== null ? (
            <b className={judged.verdict === 'accept' ? 'text-good-t' : 'text-chalk-t'}>
              <T>{`${lengthText(mm, v.units)}: ${judged.verdict === 'accept' ? 'good' : judged.verdict === 'low' ? 'too stiff' : 'too wet'}, ${lengthText(Math.abs(judged.marginMm), v.units)} ${judged.marginMm >= 0 ? 'inside' : 'outside'}`}</T>
            </b>
          ) : (
            <span className="text-ink2">
              <T>{mm !== null ? tooMuch : `${lengthText(v.mix.slumpMm, v.units)} ordered.`}</T>
            </span>
          )
        }
      />
    </Sheet>
  );
}

function DecideSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const [reason, setReason] = useState('');
  const load = v.loads.find((l) => l.id === id);
  const next = v.loads.find((l) => l.arrivedAt === null);
  const due = next ? v.plan.trucks.result.loads[v.plan.loadIds.indexOf(next.id)] : undefined;
  const seam = v.progress.seams[0];
  const log = (decision: 'accept' | 'reject') => {
    void v
      .write('load-verdict', {
        loadId: id,
        decision,
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      })
      .then(onClose);
  };
  if (!load) return null;
  const bad = speaksAgainst(load.advice);
  return (
    <Sheet open onClose={onClose} title={`Load ${id.replace('L', '')}`}>
      <p className="mb-2 text-[18px] leading-6">
        <T>{`${textOf(volume(load.volumeM3 ?? 0, v.units, 1))}, ticket ${load.ticket ?? ''}, ${Math.round(load.ageMin ?? 0)} of ${v.mix.maxAgeMin} min old${load.concreteTempC === null ? '' : `, ${textOf(temperatureFigure(load.concreteTempC, v.units))}`}${load.slump ? `, slump ${lengthText(load.slump.measuredMm, v.units)} at the ${load.slump.where}` : ', slump not read'}.`}</T>
      </p>
      <p className="mb-3">
        {due
          ? `Sent back, the next load is due ${Math.max(0, Math.round(due.arriveMin - v.minuteOf(v.nowMs)))} minutes from now`
          : 'Sent back, no other load is on order'}
        {seam
          ? `, and the seam at ${seam.elementId} has ${Math.max(0, Math.floor(seam.minutesLeft))} minutes.`
          : '.'}
      </p>
      <label className="mb-3 block">
        Reason{bad ? ', needed to place it all the same' : ''}
        <input
          className="field mt-1"
          value={reason}
          onChange={(e) => {
            setReason(e.target.value);
          }}
        />
      </label>
      <div className="grid grid-cols-2 gap-2">
        <button
          type="button"
          className="btn"
          disabled={bad && !reason.trim()}
          onClick={() => {
            log('accept');
          }}
        >
          Place it
        </button>
        <button
          type="button"
          className="btn warn"
          onClick={() => {
            log('reject');
          }}
        >
          Send back
        </button>
      </div>
    </Sheet>
  );
}

function EndSheet({ id, onClose }: { id: string; onClose: () => void }) {
  const v = usePour();
  const us = v.units === 'us';
  const [back, setBack] = useState<number | null>(0);
  const load = v.loads.find((l) => l.id === id);
  const ok = back !== null && back >= 0 && back * perUnit(us) <= (load?.volumeM3 ?? 0) + 1e-6;
  return (
    <Sheet open onClose={onClose} title={`Load ${id.replace('L', '')} is done`}>
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (ok)
            void v.write('load-end', { loadId: id, returnedM3: back * perUnit(us) }).then(onClose);
        }}
      >
        <NumberField
          label={`Went back in the drum, ${us ? 'yd³' : 'm³'}`}
          value={back}
          onChange={setBack}
          autoFocus
        />
        <button className="btn" disabled={!ok}>
          Log
        </button>
      </form>
    </Sheet>
  );
}

function StopSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const c = v.progress.current;
  const [part, setPart] = useState<number | null>(null);
  if (!c) return null;
  const stop = (ratio: number) => {
    void v
      .write('place-stop', { elementId: c.elementId, lift: c.lift, filledRatio: ratio })
      .then(onClose);
  };
  const partOk = part !== null && part / 100 > c.fromRatio && part <= 100;
  return (
    <Sheet open onClose={onClose} title={`Stop placing ${c.elementId}`}>
      <button
        type="button"
        className="btn mb-3 min-h-[64px] w-full"
        onClick={() => {
          stop(1);
        }}
      >
        {c.elementId} is full
      </button>
      <p className="mb-2 text-ink2">Or it stands part full, of 100:</p>
      <div className="mb-3 grid grid-cols-4 gap-2">
        {[25, 50, 75, 90].map((n) => (
          <button
            key={n}
            type="button"
            className="key"
            disabled={n / 100 <= c.fromRatio}
            onClick={() => {
              stop(n / 100);
            }}
          >
            {n}
          </button>
        ))}
      </div>
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (partOk) stop(part / 100);
        }}
      >
        <NumberField label="Other part" value={part} onChange={setPart} />
        <button className="btn line" disabled={!partOk}>
          Log
        </button>
      </form>
    </Sheet>
  );
}

const SKIES = ['clear', 'cloud', 'rain', 'snow', 'fog'] as const;
function WeatherSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const us = v.units === 'us';
  const before = latest(v.state, 'weather');
  const hour = v.weather.find(
    (h) => Date.parse(h.at) <= v.nowMs && v.nowMs < Date.parse(h.at) + 3_600_000,
  );
  const round = (n: number | undefined) => (n === undefined ? null : Math.round(n));
  const c = before?.body.airTempC ?? hour?.airTempC;
  const [air, setAir] = useState<number | null>(
    round(c === undefined ? undefined : us ? c * 1.8 + 32 : c),
  );
  const [humidity, setHumidity] = useState<number | null>(
    round(hour ? hour.humidity * 100 : undefined),
  );
  const [wind, setWind] = useState<number | null>(
    round(hour ? (us ? hour.windKmH / KM_PER_MI : hour.windKmH) : undefined),
  );
  const [sky, setSky] = useState<(typeof SKIES)[number]>(hour?.sky ?? 'clear');
  const airC = air === null ? null : us ? celsiusOf(air) : air;
  const ok =
    airC !== null &&
    airC >= -50 &&
    airC <= 60 &&
    (humidity === null || (humidity >= 0 && humidity <= 100)) &&
    (wind === null || (wind >= 0 && wind <= 150));
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (!ok || airC === null) return;
    void v
      .write('weather', {
        airTempC: airC,
        sky,
        ...(humidity === null ? {} : { humidity: humidity / 100 }),
        ...(wind === null ? {} : { windKmH: us ? wind * KM_PER_MI : wind }),
      })
      .then(onClose);
  };
  return (
    <Sheet open onClose={onClose} title="Weather now">
      <form className="grid grid-cols-2 gap-3 sm:grid-cols-3" onSubmit={submit}>
        <NumberField label={`Air, ${us ? '°F' : '°C'}`} value={air} onChange={setAir} autoFocus />
        <NumberField label="Humidity, of 100" value={humidity} onChange={setHumidity} />
        <NumberField label={`Wind, ${us ? 'mph' : 'km/h'}`} value={wind} onChange={setWind} />
        <div className="col-span-full flex flex-wrap gap-2">
          {SKIES.map((s) => (
            <button
              key={s}
              type="button"
              className="chip"
              aria-pressed={sky === s}
              onClick={() => {
                setSky(s);
              }}
            >
              {s}
            </button>
          ))}
        </div>
        <button className="btn col-span-full" disabled={!ok}>
          Log weather
        </button>
      </form>
    </Sheet>
  );
}

function NoteSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const [text, setText] = useState('');
  return (
    <Sheet open onClose={onClose} title="Note">
      <form
        className="flex flex-col gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          if (text.trim()) void v.write('note', { text: text.trim() }).then(onClose);
        }}
      >
        <label>
          What happened
          <textarea
            autoFocus
            className="field mt-1"
            rows={3}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
            }}
          />
        </label>
        <button className="btn" disabled={!text.trim()}>
          Log
        </button>
      </form>
    </Sheet>
  );
}
