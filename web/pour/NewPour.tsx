import { ArrowRight } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { mutate } from 'swr';
import { v7 as uuid } from 'uuid';
import type { SiteAnswer, SiteFile } from '../../contract/index.ts';
import { groupsOf, newPour, offeredTitle, ringOf, unpoured } from '#core/begin';
import { elementsText, type PourDoc } from '#core/model';
import { concreteOf } from '#core/takeoff';
import { textOf, volume } from '#core/units';
import { BackRail } from '../app/BackRail.tsx';
import { ApiProblem, sendJson } from '../sync/api.ts';
import { useSiteClock } from '../sync/clock.ts';
import { useSiteAnswer } from '../site/useSiteAnswer.ts';
import { Big } from '../ui/Text.tsx';
import { ChipRow } from './ChipRow.tsx';
import { PickGround } from './PickGround.tsx';
import { PourFields, type PourHead } from './PourFields.tsx';

/** A pour from nothing: its runs are pressed on the plan, the rest stands offered. */
export function NewPour() {
  const { siteId = '' } = useParams();
  const { data, error } = useSiteAnswer(siteId);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <BackRail title="New pour" tells={data?.site.name ?? ''} site={siteId} help="newPour" />
      {error && <p className="p-5 font-semibold text-chalk-t">{error.message}</p>}
      {data && <Choosing of={data} />}
    </div>
  );
}

/** Why no pour can be made here yet, with what to do. */
function whyNot(site: SiteFile): string | null {
  if (site.runs.length + site.pads.length + site.piers.length === 0)
    return 'Nothing is drawn on this site yet: draw it, or bring a drawing in, on Set out.';
  if (site.mixes.length === 0) return 'The site has no mix yet: add one on its own screen.';
  return site.plants.length === 0 ? 'The site has no plant yet: add one on its own screen.' : null;
}

/** What is chosen so far: elements, and what was said of the pour over what is offered. */
function useChoice(site: SiteFile, like: PourDoc | undefined) {
  const [ids, setIds] = useState<string[]>([]);
  const [said, setSaid] = useState<Partial<PourHead>>({});
  const codes = site.pours.map((p) => p.code);
  const offered = newPour(site, codes, {
    elements: ids.length > 0 ? ids : ['none'],
    ...(like ? { like } : {}),
  });
  const head: PourHead = { ...offered, title: offeredTitle(site, ids), ...said };
  return {
    ids,
    head,
    say: (over: Partial<PourHead>) => {
      setSaid((s) => ({ ...s, ...over }));
    },
    toggle: (list: readonly string[]) => {
      setIds((have) => {
        const all = list.every((id) => have.includes(id));
        return all ? have.filter((id) => !list.includes(id)) : [...new Set([...have, ...list])];
      });
    },
    pour: (): PourDoc => {
      const { forms, ...rest } = { ...offered, ...head, elements: ids };
      return forms === undefined ? rest : { ...rest, forms };
    },
  };
}

function Choosing({ of }: { of: SiteAnswer<SiteFile> }) {
  const { site } = of;
  const [params] = useSearchParams();
  const like = site.pours.find((p) => p.code === params.get('like'));
  const why = whyNot(site);
  return why ? (
    <p className="p-5 text-[18px]">
      {why}{' '}
      <Link className="font-semibold text-press underline" to={`/sites/${of.id}`}>
        To the site
      </Link>
    </p>
  ) : (
    <Chosen of={of} like={like} />
  );
}

/** Which of them another pour has: "N, W are in P2". */
const takenText = (ids: readonly string[], taken: ReadonlyMap<string, string>): string =>
  [...new Set(ids.map((id) => taken.get(id)))]
    .map((code) => {
      const own = ids.filter((id) => taken.get(id) === code);
      return `${own.join(', ')} ${own.length === 1 ? 'is' : 'are'} in ${code ?? ''}`;
    })
    .join('; ');

function Chosen({ of, like }: { of: SiteAnswer<SiteFile>; like: PourDoc | undefined }) {
  const { site } = of;
  const clock = useSiteClock();
  const choice = useChoice(site, like);
  const make = useMaking(of.id, choice);
  const { ids, head } = choice;
  const chosen = useMemo(() => new Set(ids), [ids]);
  const taken = new Map(
    site.pours.filter((p) => !p.cancelled).flatMap((p) => p.elements.map((e) => [e, p.code])),
  );
  const left = unpoured(site, site.pours);
  const last = site.runs.find((r) => r.id === ids.at(-1));
  const twice = ids.filter((id) => taken.has(id));
  const volumeM3 = concreteOf(site, chosen);
  return (
    <>
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <div className="min-h-[280px] max-lg:h-[42dvh] lg:min-h-0">
          <PickGround
            site={site}
            chosen={chosen}
            taken={taken}
            onPress={(id) => {
              choice.toggle([id]);
            }}
            onBox={choice.toggle}
          />
        </div>
        <div className="flex flex-col gap-4 border-l border-line bg-sheet p-4 lg:overflow-auto">
          <div className="flex items-end gap-4">
            <Big figure={volume(volumeM3, site.units, 1)} size={48} />
            <p className="pb-1 text-ink2">
              {ids.length > 0
                ? elementsText(site, ids)
                : 'Press runs on the plan, or drag over them.'}
            </p>
          </div>
          <ChipRow
            label="At one press"
            options={groupsOf(site, left).map((g) => ({ id: g.label, text: g.label }))}
            on={() => false}
            onPress={(label) => {
              choice.toggle(groupsOf(site, left).find((g) => g.label === label)?.ids ?? []);
            }}
          >
            {last && (
              <button
                type="button"
                className="chip"
                onClick={() => {
                  choice.toggle(ringOf(site, last.id).filter((id) => !chosen.has(id)));
                }}
              >
                whole ring of {last.id}
              </button>
            )}
          </ChipRow>
          {twice.length > 0 && (
            <p className="text-[14px] leading-[18px] text-ochre-t">
              {takenText(twice, taken)}: poured in both, unless it is taken out there.
            </p>
          )}
          <PourFields
            siteId={of.id}
            site={site}
            value={head}
            change={choice.say}
            walls={site.runs.some((r) => r.kind === 'wall' && chosen.has(r.id))}
            nowMs={clock.nowMs}
            codeError={make.codeError}
          />
        </div>
      </main>
      <footer className="next sticky bottom-0 min-h-16 py-2">
        <span className="head hidden text-[14px] text-ink2 sm:inline">Next</span>
        <p role={make.refused ? 'alert' : undefined}>
          {make.refused ??
            (ids.length === 0
              ? 'Choose what is poured together.'
              : `${head.code}, ${head.title}: ${textOf(volume(volumeM3, site.units, 1))} neat.`)}
        </p>
        <button
          type="button"
          className="btn"
          disabled={ids.length === 0 || make.busy}
          onClick={() => void make.go()}
        >
          Make {head.code}
          <ArrowRight size={22} aria-hidden="true" />
        </button>
      </footer>
    </>
  );
}

/** Sends the pour under one id, however often it is tried. */
function useMaking(siteId: string, choice: ReturnType<typeof useChoice>) {
  const navigate = useNavigate();
  const id = useRef(uuid());
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const [codeError, setCodeError] = useState<string>();
  const go = async () => {
    setBusy(true);
    setRefused(null);
    setCodeError(undefined);
    try {
      await sendJson('PUT', `/api/pours/${id.current}`, { siteId, pour: choice.pour() });
      await Promise.all([mutate('/api/pours'), mutate(`/api/sites/${siteId}`)]);
      await navigate(`/pours/${id.current}/setout`);
    } catch (e) {
      const issues = e instanceof ApiProblem ? (e.problem.issues ?? []) : [];
      setCodeError(issues.find((i) => i.path === 'pour.code')?.message);
      setRefused(e instanceof Error ? e.message : 'That did not work.');
      setBusy(false);
    }
  };
  return { busy, refused, codeError, go };
}
