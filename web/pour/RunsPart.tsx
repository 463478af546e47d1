import { useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import type { PourAnswer, SiteAnswer, SiteFile } from '../../contract/index.ts';
import { freeCode } from '#core/begin';
import { elementIds, labelsByElement, lengthOf, runOf } from '#core/model';
import { distanceText } from '#core/units';
import { sendJson } from '../sync/api.ts';
import { QuantityField } from '../ui/QuantityField.tsx';
import { T } from '../ui/Text.tsx';
import { ChipRow } from './ChipRow.tsx';
import type { PourDocWork } from './usePourDoc.ts';

/** What belongs to a pour: taken out of it, taken over from others, or cut in two at a bulkhead. */
export function RunsPart({
  record,
  of,
  work,
}: {
  record: PourAnswer;
  of: SiteAnswer<SiteFile>;
  work: PourDocWork;
}) {
  const { pour, site } = record;
  const labels = labelsByElement(site);
  const owner = new Map(of.site.pours.flatMap((p) => p.elements.map((e) => [e, p.code] as const)));
  const others = elementIds(site).filter((id) => !pour.elements.includes(id));
  const [cutAt, setCutAt] = useState<string | null>(null);
  const put = (elements: string[], done: string) => void work.keep({ ...pour, elements }, done);
  return (
    <div className="flex flex-col gap-4">
      <ul className="rows" aria-label="What belongs to it">
        {pour.elements.map((id) => (
          <li key={id} className="flex items-center gap-3 py-1">
            <b className="head w-16 text-[18px]">{id}</b>
            <span className="flex-1 text-ink2">{labels.get(id)}</span>
            <button
              type="button"
              className="min-h-12 font-semibold text-press"
              onClick={() => {
                setCutAt(cutAt === id ? null : id);
              }}
            >
              Cut here
            </button>
            <button
              type="button"
              className="min-h-12 font-semibold text-press"
              disabled={pour.elements.length === 1}
              onClick={() => {
                put(
                  pour.elements.filter((e) => e !== id),
                  `${id} is out of ${pour.code}.`,
                );
              }}
            >
              Take out
            </button>
          </li>
        ))}
      </ul>
      {cutAt && <CutForm key={cutAt} record={record} of={of} work={work} element={cutAt} />}
      {others.length > 0 && (
        <ChipRow
          label="Take over"
          options={others.map((id) => ({
            id,
            text: owner.has(id) ? `${id}, from ${owner.get(id) ?? ''}` : id,
          }))}
          on={() => false}
          onPress={(id) => {
            put([...pour.elements, id], `${id} is in ${pour.code} now.`);
          }}
        />
      )}
    </div>
  );
}

/** The pour in two: after an element, or in it at a distance. */
function CutForm({
  record,
  of,
  work,
  element,
}: {
  record: PourAnswer;
  of: SiteAnswer<SiteFile>;
  work: PourDocWork;
  element: string;
}) {
  const { site, pour } = record;
  const id = useRef(uuid());
  const [atM, setAtM] = useState<number | null>(null);
  const code = freeCode(of.site.pours.map((p) => p.code));
  const run = runOf(site, element);
  const cut = () =>
    work.attempt(
      () =>
        sendJson('POST', `/api/pours/${record.id}/split`, {
          version: of.version,
          id: id.current,
          element,
          code,
          ...(atM === null ? {} : { atM }),
        }),
      `${pour.code} is cut: the rest is ${code}.`,
    );
  return (
    <div className="border-2 border-ink p-3">
      <p className="mb-2">
        What lies after {element} on the way round becomes {code}, with the mix, plant, forms and
        hold points of {pour.code}, without a date.
      </p>
      {run && (
        <QuantityField
          label={`in ${element}, so far from its first node; left empty, after it`}
          quantity="M"
          units={site.units}
          value={atM}
          required={false}
          note={`${element} is ${distanceText(lengthOf(site, run), site.units)} long`}
          onChange={setAtM}
        />
      )}
      <button type="button" className="btn mt-3 w-full" onClick={() => void cut()}>
        <T>
          {atM === null
            ? `Cut after ${element}`
            : `Cut ${element} at ${distanceText(atM, site.units)}`}
        </T>
      </button>
    </div>
  );
}
