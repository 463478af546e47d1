import type { Conveyance } from '#core/model';
import { distanceText, quantityText } from '#core/units';
import { usePour } from '../../../app/pour-context.tsx';
import { Mark } from '../../../ui/Mark.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import type { useStands } from './useStands.ts';

/** Where it stands: what it reaches, the edge, wires and pads; and the sides that are offered. */
export function StandPart({
  conveyance,
  stand,
  offers,
}: { conveyance: Conveyance } & Pick<ReturnType<typeof useStands>, 'stand' | 'offers'>) {
  const v = usePour();
  const p = usePlanned();
  return (
    <section aria-label="Where it stands" className="flex flex-col gap-2">
      <h2 className="head">Where it stands</h2>
      {stand && (
        <ul className="flex flex-col gap-1">
          <li className="flex gap-2">
            <Mark verdict={stand.out.length ? 'out' : 'good'} />
            <span>
              <T>
                {stand.out.length
                  ? `${distanceText(stand.outM, v.units)} out of reach: ${stand.out.map((o) => `${o.elementId} ${distanceText(o.lengthM, v.units)}`).join(', ')}`
                  : `All within ${distanceText(stand.furthestM, v.units)}, it reaches ${distanceText(conveyance.reachM, v.units)}`}
              </T>
            </span>
          </li>
          {stand.edge && (
            <li className="flex gap-2">
              <Mark verdict={stand.edge.distanceM < stand.edge.leastM ? 'out' : 'good'} />
              <span>
                <T>{`${distanceText(stand.edge.distanceM, v.units)} to the edge, ${distanceText(stand.edge.leastM, v.units)} deep: as far off as deep`}</T>
              </span>
            </li>
          )}
          {stand.wires && (
            <li className="flex gap-2">
              <Mark verdict={stand.wires.distanceM < stand.wires.leastM ? 'out' : 'good'} />
              <span>
                <T>{`Wires ${distanceText(stand.wires.distanceM, v.units)} off, ${distanceText(stand.wires.leastM, v.units)} wanted${stand.boomStopM === null ? '' : `; boom stop at ${distanceText(stand.boomStopM, v.units)}`}`}</T>
              </span>
            </li>
          )}
          {stand.padSideM !== null && (
            <li className="flex gap-2">
              <Mark verdict="good" />
              <span>
                <T>{`Pads ${distanceText(stand.padSideM, v.units)} square under the legs, on ground that bears ${quantityText(stand.bearingKPa, 'KPa', v.units)}`}</T>
              </span>
            </li>
          )}
        </ul>
      )}
      {!stand && <p className="text-ink2">Pick a side, then drag it to where it will stand.</p>}
      {offers.map(({ side, stand: o }) => (
        <button
          key={side}
          type="button"
          data-stand={side}
          className="flex min-h-12 items-center gap-3 bg-press-2 px-3 text-left text-press"
          onClick={() => {
            void p.change({ setUp: o.at });
          }}
        >
          <Mark verdict={o.ok ? 'good' : 'out'} />
          <b className="head w-6">{side}</b>
          <span className="min-w-0 flex-1 leading-5">
            <T>{standText(o, v.units)}</T>
          </span>
        </button>
      ))}
      <p className="text-[14px] leading-[18px] text-ink2">
        The operator, the maker’s diagram and the power company rule.
      </p>
    </section>
  );
}

function standText(
  o: ReturnType<typeof useStands>['offers'][number]['stand'],
  units: 'us' | 'metric',
): string {
  if (o.working.result.wiresOk === false) return 'the boom would come too near the wires';
  if (o.out.length) return `${distanceText(o.outM, units)} out of reach`;
  if (o.working.result.edgeOk === false) return 'too near the edge';
  return `all within ${distanceText(o.furthestM, units)}${o.boomStopM === null ? '' : `, boom stop at ${distanceText(o.boomStopM, units)}`}`;
}
