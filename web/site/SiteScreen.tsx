import type { ReactNode } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { useSession } from '../app/session.tsx';
import { BackRail } from '../app/BackRail.tsx';
import { SiteContext } from '../app/site-context.tsx';
import { useFocus } from '../app/useFocus.ts';
import { lazily } from '../ui/lazily.tsx';
import { SiteEnd } from './SiteEnd.tsx';
import { SiteHeadForm } from './SiteHeadForm.tsx';
import { SiteLists } from './SiteLists.tsx';
import { useSiteAnswer } from './useSiteAnswer.ts';

const SiteSheets = lazily(() => import('./SiteSheets.tsx'));

/** A site by itself: what it is, what there is to plan with, and how it ends. */
export function SiteScreen() {
  const { siteId = '' } = useParams();
  const { account } = useSession();
  const { data, error, view, changed } = useSiteAnswer(siteId);
  const { sheet } = useFocus();
  return (
    <div className="flex min-h-dvh flex-col">
      <BackRail
        title={data?.site.name ?? 'Site'}
        tells={
          data?.site.archived ? 'archived, read only' : 'what it is, and what there is to plan with'
        }
        site={siteId}
        help="site"
      />
      <main className="mx-auto w-full max-w-[1200px] flex-1 px-5 pb-12 pt-4">
        {error && (
          <p role="alert" className="font-semibold text-chalk-t">
            {error.message}
          </p>
        )}
        {data && view && (
          <SiteContext value={view}>
            <SiteParts of={data} foreman={account.role === 'foreman'} changed={changed} />
            {sheet && <SiteSheets of={data} changed={changed} />}
          </SiteContext>
        )}
      </main>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="border-t-2 border-ink pt-3">
      <h2 className="head mb-3 text-[20px] leading-6">{title}</h2>
      {children}
    </section>
  );
}

function SiteParts({
  of,
  foreman,
  changed,
}: {
  of: SiteAnswer<SiteFile>;
  foreman: boolean;
  changed: () => Promise<void>;
}) {
  const navigate = useNavigate();
  const open = foreman && !of.site.archived;
  return (
    <div className="grid gap-x-10 gap-y-8 lg:grid-cols-2">
      <Part title="What there is to plan with">
        <SiteLists of={of} open={open} />
      </Part>
      <div className="flex flex-col gap-8">
        {open && (
          <Part title="The site">
            <SiteHeadForm key={of.version} of={of} changed={() => void changed()} />
          </Part>
        )}
        {foreman && (
          <Part title="Out of the way">
            <SiteEnd
              of={of}
              changed={changed}
              gone={async () => {
                await navigate('/');
                await changed();
              }}
            />
          </Part>
        )}
      </div>
    </div>
  );
}
