import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { missingPrices } from '#core/model';
import { counted } from '#core/units';
import { useOfTheHouse } from '../app/session.tsx';
import { useSetFocus } from '../app/useFocus.ts';

interface Row {
  sheet: string;
  name: string;
  has: number;
  /** What of it is only usual. */
  usual: number;
  tells: string;
}

const usualOf = (list: readonly object[]): number =>
  list.filter((x) => (x as { usual?: boolean }).usual).length;

/** Every list of a site in a line, with how much of it is only usual. */
function rowsOf(site: SiteFile): Row[] {
  const row = (sheet: string, name: string, list: readonly object[], tells: string): Row => ({
    sheet,
    name,
    has: list.length,
    usual: usualOf(list),
    tells,
  });
  const labels = (list: readonly { label?: string | undefined; name?: string }[]) =>
    list
      .slice(0, 3)
      .map((x) => x.label ?? x.name ?? '')
      .join(', ');
  const missing = missingPrices(site).length;
  return [
    row('mixes', 'Mixes', site.mixes, site.mixes.map((m) => m.mark).join(', ')),
    row('plants', 'Plants', site.plants, labels(site.plants)),
    row('conveyances', 'Conveyances', site.conveyances, labels(site.conveyances)),
    row('mixers', 'Mixers on site', site.mixers, labels(site.mixers)),
    row('crew', 'Crew', site.crew, labels(site.crew)),
    {
      sheet: 'prices',
      name: 'Prices',
      has: 5 - missing,
      usual: missing,
      tells: missing ? `${missing} as they usually are` : 'all given',
    },
    row('wires', 'Overhead wires', site.wires, site.wires.map((w) => w.id).join(', ')),
  ];
}

/** What there is to plan with, each list a press away from being changed. */
export function SiteLists({ of, open }: { of: SiteAnswer<SiteFile>; open: boolean }) {
  const set = useSetFocus();
  const ofTheHouse = useOfTheHouse();
  const { site } = of;
  const line = (key: string, name: string, tells: ReactNode, sheet: string) => (
    <li key={key}>
      <button
        type="button"
        disabled={!open}
        className="grid min-h-14 w-full grid-cols-[150px_minmax(0,1fr)] items-center gap-3 py-2 text-left disabled:opacity-100"
        onClick={() => {
          set({ sheet });
        }}
      >
        <b className="font-semibold">{name}</b>
        <span className="text-ink2">{tells}</span>
      </button>
    </li>
  );
  return (
    <>
      <ul className="rows" aria-label="Lists of the site">
        {rowsOf(site).map((r) =>
          line(
            r.sheet,
            r.name,
            <>
              {r.has === 0 && r.sheet !== 'prices' ? 'none yet' : r.tells}
              {r.usual > 0 && r.sheet !== 'prices' && (
                <b className="block font-semibold text-ochre-t">{r.usual} usual, not said yet</b>
              )}
            </>,
            r.sheet,
          ),
        )}
        {line(
          'forecast',
          'Forecast',
          'typed, pasted or brought in; a few lines are enough',
          'forecast',
        )}
      </ul>
      <TypesLine site={site} />
      <div className="mt-3 flex flex-wrap gap-3">
        {open && (
          <button
            type="button"
            className="btn line"
            onClick={() => {
              set({ sheet: 'take-over' });
            }}
          >
            Take over from another site
          </button>
        )}
        <a className="btn line" href={`/api/sites/${of.id}/export`} download>
          Site file
        </a>
        <a className="btn line" href={`/api/sites/${of.id}/calendar.ics`} download>
          Calendar
        </a>
        {ofTheHouse && (
          <Link className="btn line" to="/people">
            People
          </Link>
        )}
      </div>
    </>
  );
}

/** The schedule and the forms stand on the drawing of a pour: they are changed there. */
function TypesLine({ site }: { site: SiteFile }) {
  const types = [...site.footingTypes, ...site.wallTypes];
  const usual = usualOf([...types, ...site.formSystems]);
  return (
    <p className="border-t border-hair py-3 text-ink2">
      {counted(types.length, 'type')} and {counted(site.formSystems.length, 'form system')} stand on
      the schedule of Set out
      {usual > 0 && <b className="text-ochre-t">, {usual} of a usual size only</b>}.
    </p>
  );
}
