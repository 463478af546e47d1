import { mixerNeeds } from '#core/pourplan';
import { clockText, mass, textOf, volume } from '#core/units';
import { batchLines, mixerSentence } from '#core/words';
import { usePour } from '../../../app/pour-context.tsx';
import { Sheet } from '../../../ui/Dialog.tsx';
import { T } from '../../../ui/Text.tsx';
import { usePlanned } from '../planned.tsx';
import { PlanPapers } from './PlanPapers.tsx';

/** What a pour that is mixed on the site takes: what to fetch, and what goes into a batch. */
export function FetchSheet({ onClose }: { onClose: () => void }) {
  const v = usePour();
  const { plan, settings, change } = usePlanned();
  const { mixer } = v.plant;
  if (!mixer) return null;
  const mixing = mixerNeeds(mixer, plan.orderedM3);
  const settled = settings.orderM3 !== null;
  return (
    <Sheet open onClose={onClose} title="What it takes">
      <p className="mb-3 text-[18px] leading-6">
        <T>{`${textOf(volume(plan.orderedM3, v.units))} from ${mixer.label}, first batch ${clockText(settings.firstLoadMin)}: ${mixerSentence(mixing, mixer.by)}.`}</T>
      </p>
      <dl className="rows mb-4 border-y border-hair tnum">
        <Row what={mixer.by === 'bags' ? 'bags of dry mix' : 'bags of cement'}>
          {mixing.bags} of {textOf(mass(mixing.bagKg, v.units))}
        </Row>
        <Row what="carried in all">{textOf(mass(mixing.massKg, v.units))}</Row>
        <Row what="trips with the trailer">{mixing.trips}</Row>
        {batchLines(mixing, v.units).map((l) => (
          <Row key={l.what} what={`a batch: ${l.what}`}>
            {l.much}
          </Row>
        ))}
      </dl>
      <p className="mb-3">
        {mixer.by === 'parts'
          ? 'Damp sand brings water: take it off what is added. Fill every batch alike.'
          : 'Read on the bag how much water it takes, and no more.'}{' '}
        Backs wear out: share the lifting, and keep dry cement off skin and eyes.
      </p>
      <button
        type="button"
        className="btn w-full"
        onClick={() => {
          void change({ orderM3: settled ? null : plan.orderedM3 }).then(onClose);
        }}
      >
        {settled ? 'It is not all here' : 'It is all here'}
      </button>
      <PlanPapers />
    </Sheet>
  );
}

const Row = ({ what, children }: { what: string; children: React.ReactNode }) => (
  <div className="flex justify-between gap-3 py-1.5">
    <dt>{what}</dt>
    <dd className="font-semibold">{children}</dd>
  </div>
);
