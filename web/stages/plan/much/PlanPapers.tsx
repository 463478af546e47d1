import { usePour } from '../../../app/pour-context.tsx';

/** The papers of a plan: the card that hangs at the form, and the calendar of the site. */
export function PlanPapers() {
  const { record } = usePour();
  return (
    <div className="mt-3 flex flex-wrap gap-4">
      <a
        className="flex min-h-12 items-center font-semibold text-press"
        href={`/api/pours/${record.id}/card.pdf`}
        target="_blank"
        rel="noreferrer"
      >
        Card of the pour
      </a>
      <a
        className="flex min-h-12 items-center font-semibold text-press"
        href={`/api/sites/${record.siteId}/calendar.ics`}
        download
      >
        Calendar of the site
      </a>
    </div>
  );
}
