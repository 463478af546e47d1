import type { LogEvent } from '#core/log';
import { quantityText, type UnitSystem } from '#core/units';

/**
 * What was read, with what was forecast for then where that is another: "Air 75 °F (forecast 71
 * °F), wind 16 mph, clear".
 */
export function readWeatherText(
  read: LogEvent<'weather'>['body'],
  forecast: { airTempC: number; windKmH: number } | null,
  units: UnitSystem,
): string {
  const beside = (value: number, said: number | undefined, quantity: 'C' | 'KmH') => {
    const shown = quantityText(value, quantity, units);
    const other = said === undefined ? shown : quantityText(Math.round(said), quantity, units);
    return other === shown ? shown : `${shown} (forecast ${other})`;
  };
  const wind =
    read.windKmH === undefined ? '' : `, wind ${beside(read.windKmH, forecast?.windKmH, 'KmH')}`;
  return `Air ${beside(read.airTempC, forecast?.airTempC, 'C')}${wind}, ${read.sky}`;
}

/** What it asks of the pour; empty where it asks nothing. */
export function weatherAsksText(
  now: { boomLimitKmH: number | null; cold: boolean; lowestC: number; level: string },
  units: UnitSystem,
): string[] {
  return [
    ...(now.boomLimitKmH === null
      ? []
      : [`Too windy: the boom stops at ${quantityText(now.boomLimitKmH, 'KmH', units)}.`]),
    ...(now.cold
      ? [
          `Cold weather rules: down to ${quantityText(Math.round(now.lowestC), 'C', units)} in the protection time. Cover, and keep it warm.`,
        ]
      : []),
    ...(now.level === 'no' && now.boomLimitKmH === null
      ? ['Rain on the face: cover, and close off at a bulkhead.']
      : []),
  ];
}
