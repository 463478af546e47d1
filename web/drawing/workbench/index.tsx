import { StartsDrawing } from './starts.tsx';
import type { ComponentType } from 'react';
import { OrderCurve } from '../OrderCurve.tsx';
import { SlumpCone } from '../SlumpCone.tsx';
import { PressureDrawing, TieDrawing } from './forms.tsx';
import { BraceDrawing, SheathingDrawing } from './bracing.tsx';
import { list, num, type DrawProps } from './parts.tsx';
import { CompareDrawing, VerdictDrawing } from './scales.tsx';
import { ProfileDrawing, SquareDrawing } from './setout.tsx';
import { BarDrawing, LapDrawing } from './steel.tsx';
import { AlongDrawing } from './along.tsx';
import { DialDrawing, HistoryDrawing, WindowDrawing } from './time.tsx';
import { DayDrawing } from './day.tsx';

function Order({ input, result, units, width, height }: DrawProps) {
  const call = result.callBalance as { firstM3: number; cost: number } | undefined;
  return (
    <OrderCurve
      width={width}
      height={Math.min(height, 420)}
      units={units}
      all={list(result, 'curve')}
      chosenM3={num(result, 'orderM3')}
      bestM3={num(result, 'orderM3')}
      meanM3={num(result, 'meanM3')}
      call={call ?? null}
      onPick={() => undefined}
      key={num(input, 'neatM3')}
    />
  );
}

function Slump(p: DrawProps) {
  if (p.width < 420) return <VerdictDrawing {...p} />;
  return (
    <div className="flex h-full">
      <SlumpCone
        width={p.width * 0.45}
        height={Math.min(p.height, 360)}
        measuredMm={num(p.input, 'measuredMm')}
        lowMm={num(p.result, 'lowMm')}
        highMm={num(p.result, 'highMm')}
        targetMm={num(p.input, 'targetMm')}
        units={p.units}
        good={p.result.verdict === 'accept'}
      />
      <VerdictDrawing {...p} width={p.width * 0.55} />
    </div>
  );
}

/** The drawing that belongs to a calculation. To give a new one its drawing: a line here. */
const DRAWINGS: Record<string, ComponentType<DrawProps>> = {
  'form-pressure': PressureDrawing,
  'max-rate-of-rise': PressureDrawing,
  'waler-layout': PressureDrawing,
  'tie-load': TieDrawing,
  'sheathing-span': SheathingDrawing,
  'brace-load': BraceDrawing,
  'brace-turn': BraceDrawing,
  'lap-length': LapDrawing,
  bar: BarDrawing,
  hook: BarDrawing,
  'vert-layout': AlongDrawing,
  'anchor-layout': AlongDrawing,
  'anchor-verdict': AlongDrawing,
  'cover-verdict': VerdictDrawing,
  'min-cover': VerdictDrawing,
  'dimension-verdict': VerdictDrawing,
  'spacing-verdict': VerdictDrawing,
  'load-verdict': VerdictDrawing,
  'strength-acceptance': VerdictDrawing,
  'slump-verdict': Slump,
  'placing-rate': CompareDrawing,
  'water-addition': CompareDrawing,
  'site-mix': CompareDrawing,
  'bag-count': CompareDrawing,
  'trench-fill': CompareDrawing,
  yield: CompareDrawing,
  'clearance-verdict': CompareDrawing,
  squareness: SquareDrawing,
  'level-loop': ProfileDrawing,
  straightness: ProfileDrawing,
  'drain-pitch': ProfileDrawing,
  evaporation: DialDrawing,
  'joint-window': WindowDrawing,
  'equivalent-age': HistoryDrawing,
  'strength-forecast': HistoryDrawing,
  'truck-plan': DayDrawing,
  'weather-rules': DayDrawing,
  'start-window': StartsDrawing,
  'learned-yield': CompareDrawing,
  'learned-delay': CompareDrawing,
  daylight: DayDrawing,
  'pour-simulation': DayDrawing,
  'order-quantity': Order,
};

export function WorkDrawing({
  id,
  input,
  result,
  units,
  width,
  height,
}: Omit<DrawProps, 'result'> & { result: unknown }) {
  const Drawing = DRAWINGS[id];
  if (!Drawing || width < 160 || height < 90) return null;
  return (
    <Drawing
      id={id}
      input={input}
      result={result as Record<string, unknown>}
      units={units}
      width={width}
      height={height}
    />
  );
}
