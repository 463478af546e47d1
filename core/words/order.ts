import { counted, textOf, type UnitSystem, volume } from '#core/units';

/** What of an order the plan no longer wants so, as facts. */
interface Apart {
  volume: { orderedM3: number; plannedM3: number } | null;
  loads: { ordered: number; planned: number } | null;
  first: { orderedMs: number; plannedMs: number } | null;
  day: { ordered: string; planned: string | null } | null;
}

/**
 * An order and a plan that are not the same, in words.
 * @param moment how a moment is said, as "07:30"
 * @param day how a day is said, as "Tue 6 Oct"
 */
export function apartOrderText(
  a: Apart,
  units: UnitSystem,
  moment: (ms: number) => string,
  day: (date: string) => string,
): string {
  const said = [
    ...(a.day
      ? [
          `Ordered for ${day(a.day.ordered)}; the pour is ${a.day.planned === null ? 'without a day' : `on ${day(a.day.planned)}`}.`,
        ]
      : []),
    ...(a.volume
      ? [
          `Ordered ${textOf(volume(a.volume.orderedM3, units))}; the plan wants ${textOf(volume(a.volume.plannedM3, units))}.`,
        ]
      : []),
    ...(a.loads
      ? [`Ordered in ${counted(a.loads.ordered, 'load')}; planned in ${a.loads.planned}.`]
      : []),
    ...(a.first
      ? [
          `First load ordered to leave at ${moment(a.first.orderedMs)}; planned ${moment(a.first.plannedMs)}.`,
        ]
      : []),
  ];
  return said.join(' ');
}
