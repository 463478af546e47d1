import { ArrowLeft } from 'lucide-react';
import { Link } from 'react-router';
import type { HelpId } from '#core/words';
import { HelpButton } from './HelpButton.tsx';

/** The rail of a screen that belongs to no pour: the way back to the pours, what it is, and its help. */
export function BackRail({
  title,
  tells,
  site,
  help,
}: {
  title: string;
  /** A line under the title. */
  tells: string;
  /** The site that is open when one goes back. */
  site?: string;
  help: HelpId;
}) {
  return (
    <header className="rail flex items-stretch bg-rail text-rail-ink">
      <Link
        to={site === undefined ? '/' : `/?site=${site}`}
        className="flex min-h-[72px] items-center gap-2 px-5 text-rail-ink2"
      >
        <ArrowLeft size={20} aria-hidden="true" />
        Pours
      </Link>
      <div className="min-w-0 bg-ground px-4 py-3.5 text-ink">
        <h1 className="head truncate text-[20px] leading-6">{title}</h1>
        <p className="truncate text-[14px] leading-5">{tells}</p>
      </div>
      <span className="flex-1" />
      <HelpButton of={help} />
    </header>
  );
}
