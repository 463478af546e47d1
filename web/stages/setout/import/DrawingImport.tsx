import { extent } from 'd3';
import { useMemo, useState } from 'react';
import { say } from '../../../ui/say.ts';
import {
  DRAWING_UNITS,
  type DrawingUnit,
  guessLayer,
  type LayerUse,
  runsFromLines,
} from '#core/exchange';
import { FIRST_WALL_M } from '#core/siteplan';
import { counted, distanceText } from '#core/units';
import { usePlan, usePour } from '../../../app/pour-context.tsx';
import { useSize } from '../../../drawing/useSize.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { T } from '../../../ui/Text.tsx';
import type { DrawingRead } from '../../../workers/dxf.worker.ts';
import type { Run } from '#core/model';

const UNIT_NAME: Record<DrawingUnit, string> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'inches',
  ft: 'feet',
};
const COLOURS = ['var(--press)', 'var(--good)', 'var(--ochre)', 'var(--fresh)', 'var(--ink)'];

/** Levels of a layer's runs; null while nothing that can be read is typed. */
interface LayerLevels {
  bottomM: number | null;
  topM: number | null;
}

/** What a layer is taken for. */
interface LayerChoice {
  kind: Run['kind'];
  type: string;
}
type Uses = Record<string, LayerChoice | null>;

/** Which layers become runs of which type, in which unit; drawn as it will be before anything is stored. */
export function DrawingImport({ read, onDone }: { read: DrawingRead; onDone: () => void }) {
  const v = usePour();
  const { plan, replace } = usePlan();
  const [boxRef, box] = useSize();
  // The unit is asked for: what the header says is only how the question begins.
  const [unit, setUnit] = useState<DrawingUnit | null>(null);
  const types: LayerChoice[] = [
    ...v.record.site.footingTypes.map((t) => ({ kind: 'footing' as const, type: t.mark })),
    ...v.record.site.wallTypes.map((t) => ({ kind: 'wall' as const, type: t.mark })),
  ];
  const [uses, setUses] = useState<Uses>(() =>
    Object.fromEntries(read.layers.map((l) => [l.name, guessLayer(l.name, v.record.site)])),
  );
  const like = v.record.site.runs.find((r) => v.record.pour.elements.includes(r.id));
  const first = {
    bottomM: like?.bottomM ?? 0,
    topM: like?.topM ?? (like?.bottomM ?? 0) + FIRST_WALL_M,
  };
  // Every layer has levels of its own: footings lie lower than the walls on them.
  const [levels, setLevels] = useState<Record<string, LayerLevels>>({});
  const levelsOn = (name: string): LayerLevels => levels[name] ?? first;
  const made = useMemo(() => {
    if (!plan || unit === null) return null;
    const layers: Record<string, LayerUse | undefined> = {};
    for (const [name, use] of Object.entries(uses)) {
      if (!use) continue;
      const { bottomM, topM } = levels[name] ?? first;
      if (bottomM === null || topM === null) return null;
      layers[name] = { ...use, bottomM, ...(use.kind === 'wall' ? { topM } : {}) };
    }
    return runsFromLines(plan, read.lines, layers, unit, v.record.pour.code);
    // oxlint-disable-next-line react/exhaustive-deps -- `first` is made of the pour's first run alone
  }, [plan, unit, levels, uses, read.lines, v.record.pour.code]);
  const [x0 = 0, x1 = 1] = extent(read.lines.flatMap((l) => [l.x1, l.x2]));
  const [y0 = 0, y1 = 1] = extent(read.lines.flatMap((l) => [l.y1, l.y2]));
  const k = Math.min((box.width - 20) / (x1 - x0 || 1), 200 / (y1 - y0 || 1));
  const used = Object.entries(uses)
    .filter(([, u]) => u)
    .map(([name]) => name);
  const fileSays = read.unit ? `the file says ${UNIT_NAME[read.unit]}` : 'the file does not say';
  const put = () => {
    if (!made) return;
    replace(made.plan);
    say(`${counted(made.added.length, 'run')} put in. Undo takes that back.`);
    onDone();
  };
  if (read.lines.length === 0)
    return (
      <p role="alert" className="font-semibold text-chalk-t">
        There are no lines or polylines in this drawing.
        {read.leftOut.length
          ? ` It holds ${read.leftOut.map((l) => `${l.count} ${l.type}`).join(', ')}; blocks have to be exploded first.`
          : ''}
      </p>
    );
  return (
    <div className="flex flex-col gap-3">
      <Preview boxRef={boxRef} box={box} read={read} used={used} x0={x0} k={k} y0={y0} />
      <div
        className="flex flex-wrap items-center gap-2"
        role="group"
        aria-label="Unit of the drawing"
      >
        <span>Drawn in</span>
        {(Object.keys(DRAWING_UNITS) as DrawingUnit[]).map((u) => (
          <button
            key={u}
            type="button"
            className="chip"
            aria-pressed={u === unit}
            onClick={() => {
              setUnit(u);
            }}
          >
            {UNIT_NAME[u]}
            {read.unit === u && unit === null ? '?' : ''}
          </button>
        ))}
        <span className="text-ink2">
          {unit ? (
            <T>{`${distanceText((x1 - x0) * DRAWING_UNITS[unit], v.units)} by ${distanceText((y1 - y0) * DRAWING_UNITS[unit], v.units)} over all`}</T>
          ) : (
            fileSays
          )}
        </span>
      </div>
      <Layers
        read={read}
        used={used}
        uses={uses}
        setUses={setUses}
        types={types}
        levelsOn={levelsOn}
        setLevels={setLevels}
        levels={levels}
      />
      {made && (
        <p aria-live="polite">
          {counted(made.added.length, 'run')}
          {made.doubles
            ? `, ${counted(made.doubles, 'line lies on another and is', 'lines lie on others and are')} left out`
            : ''}
          {made.specks ? `, ${counted(made.specks, 'speck')} left out` : ''}
          {read.leftOut.length
            ? `; not lines: ${read.leftOut.map((l) => `${l.count} ${l.type.toLowerCase()}`).join(', ')}`
            : ''}
          .
        </p>
      )}
      <button
        type="button"
        className="btn"
        disabled={!made || made.added.length === 0}
        onClick={put}
      >
        {unit === null ? 'Say the unit first' : `Put ${counted(made?.added.length ?? 0, 'run')} in`}
      </button>
    </div>
  );
}

/** The drawing as it was read. */
function Preview({
  boxRef,
  box,
  read,
  used,
  x0,
  k,
  y0,
}: {
  boxRef: (el: Element | null) => (() => void) | undefined;
  box: { width: number; height: number };
  read: DrawingRead;
  used: string[];
  x0: number;
  k: number;
  y0: number;
}) {
  return (
    <div ref={boxRef} className="h-[220px]">
      {box.width > 40 && (
        <svg
          width={box.width}
          height="220"
          role="img"
          aria-label={`${counted(read.lines.length, 'line')} on ${counted(read.layers.length, 'layer')}`}
        >
          {read.lines.map((l, i) => {
            const n = used.indexOf(l.layer);
            return (
              <path
                key={i}
                d={`M${10 + (l.x1 - x0) * k} ${210 - (l.y1 - y0) * k}L${10 + (l.x2 - x0) * k} ${210 - (l.y2 - y0) * k}`}
                stroke={n < 0 ? 'var(--hair)' : COLOURS[n % COLOURS.length]}
                strokeWidth={n < 0 ? 1 : 2.5}
                strokeDasharray={n < 0 ? '2 4' : undefined}
              />
            );
          })}
        </svg>
      )}
    </div>
  );
}

/** The layers of the drawing, and what each is taken for. */
function Layers({
  read,
  used,
  uses,
  setUses,
  types,
  levelsOn,
  setLevels,
  levels,
}: {
  read: DrawingRead;
  used: string[];
  uses: Uses;
  setUses: (uses: Uses) => void;
  types: LayerChoice[];
  levelsOn: (name: string) => LayerLevels;
  setLevels: (levels: Record<string, LayerLevels>) => void;
  levels: Record<string, LayerLevels>;
}) {
  const v = usePour();
  return (
    <ul className="rows max-h-[24dvh] overflow-auto border-y-2 border-ink">
      {read.layers.map((l) => (
        <li key={l.name} className="flex flex-wrap items-center gap-3 py-1">
          <span
            className="h-3 w-6"
            style={{
              background: used.includes(l.name)
                ? COLOURS[used.indexOf(l.name) % COLOURS.length]
                : 'var(--hair)',
            }}
          />
          <b className="min-w-0 flex-1 truncate font-semibold">{l.name}</b>
          <span className="text-ink2">{counted(l.count, 'line')}</span>
          <select
            className="field max-w-[190px]"
            aria-label={`Layer ${l.name} becomes`}
            value={uses[l.name]?.type ?? ''}
            onChange={(e) => {
              setUses({
                ...uses,
                [l.name]: types.find((t) => t.type === e.target.value) ?? null,
              });
            }}
          >
            <option value="">leave it out</option>
            {types.map((t) => (
              <option key={t.type} value={t.type}>
                {t.kind} {t.type}
              </option>
            ))}
          </select>
          {uses[l.name] && (
            <div className="grid basis-full grid-cols-2 gap-2 pl-9">
              <QuantityField
                label={`bottom of ${l.name}`}
                quantity="Level"
                units={v.units}
                value={levelsOn(l.name).bottomM}
                onChange={(bottomM) => {
                  setLevels({ ...levels, [l.name]: { ...levelsOn(l.name), bottomM } });
                }}
              />
              {uses[l.name]?.kind === 'wall' && (
                <QuantityField
                  label={`top of ${l.name}`}
                  quantity="Level"
                  units={v.units}
                  value={levelsOn(l.name).topM}
                  onChange={(topM) => {
                    setLevels({ ...levels, [l.name]: { ...levelsOn(l.name), topM } });
                  }}
                />
              )}
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
