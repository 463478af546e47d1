import { line as d3line, scaleLinear, scalePow } from 'd3';
import type { Curing } from '#core/cure';
import type { UnitSystem } from '#core/units';

/** Where everything of the strength curve stands: time across, strength up, the temperature beneath. */
export function strengthScales(
  width: number,
  height: number,
  curing: Curing,
  fcMPa: number,
  units: UnitSystem,
) {
  // In a phone's band only the curve itself has room.
  const small = height < 320;
  const m = { l: 64, r: 22, t: small ? 26 : 44 };
  const tempH = Math.min(110, height * 0.22);
  const base = small ? height - 42 : height - tempH - 64;
  const untilH = curing.curve.at(-1)?.timeH ?? 672;
  // Early hours decide stripping: the axis gives them room (square root of time).
  const x = scalePow()
    .exponent(0.5)
    .domain([0, untilH])
    .range([m.l, width - m.r]);
  const y = scaleLinear(
    [
      0,
      Math.max(
        fcMPa * 1.1,
        ...curing.curve.map((c) => c.strengthMPa),
        ...curing.breaks.map((b) => b.strengthMPa),
      ),
    ],
    [base, m.t],
  );
  const path = d3line<{ timeH: number; strengthMPa: number }>()
    .x((c) => x(c.timeH))
    .y((c) => y(c.strengthMPa));
  const step = units === 'us' ? 6.894757293 : 10;
  const ticks: number[] = [];
  for (let s = step; s < (y.domain()[1] ?? 0); s += step) ticks.push(s);
  const temps = curing.history.map((h) => h.tempC);
  const ty = scaleLinear(
    [Math.min(...temps) - 4, Math.max(...temps) + 4],
    [height - 30, height - tempH],
  );
  const tpath = d3line<{ timeH: number; tempC: number }>()
    .x((h) => x(Math.min(untilH, h.timeH)))
    .y((h) => ty(h.tempC));
  return { small, m, tempH, base, untilH, x, y, path, ticks, temps, ty, tpath };
}
