import { elementIds } from '#core/model';
import { usePlan, usePour } from '../../app/pour-context.tsx';
import { useFocus } from '../../app/useFocus.ts';
import { useWide } from '../../app/useWide.ts';
import { lazily } from '../../ui/lazily.tsx';
import { HerePanel } from './HerePanel.tsx';
import { Toolbar, Views } from './SetOutGround.tsx';
import { setTool, useTool } from './useTool.ts';

const LevelsPanel = lazily(async () => ({
  default: (await import('./LevelsPanel.tsx')).LevelsPanel,
}));
const SchedulePanel = lazily(async () => ({
  default: (await import('./SchedulePanel.tsx')).SchedulePanel,
}));
const SquarePanel = lazily(async () => ({
  default: (await import('./SquarePanel.tsx')).SquarePanel,
}));
const ListsPanel = lazily(async () => ({ default: (await import('./ListsPanel.tsx')).ListsPanel }));
const QuestionSheets = lazily(() => import('../../questions/QuestionSheets.tsx'));
const UnderlayPanel = lazily(() => import('../../underlay/UnderlayPanel.tsx'));
const ImportSheet = lazily(() => import('./ImportSheet.tsx'));

const TABS = [
  ['here', 'Here'],
  ['schedule', 'Schedule'],
  ['levels', 'Levels'],
  ['square', 'Square'],
  ['lists', 'Lists'],
] as const;

/** On which plan a closed pour is shown, and that the site's has gone on. */
function ClosedNote() {
  const { pour, siteVersion, planNow } = usePour().record;
  return (
    <p className="text-ink2">
      {pour.code} is closed, and shown on the plan it was closed on, {siteVersion}.
      {planNow === undefined ? '' : ` The plan of the site is ${planNow} now.`}
    </p>
  );
}

/**
 * The tools of setting out: what rules at the selected run, the schedule, levels, squareness and
 * lines, and the lists.
 */
export function SetOutBench() {
  const v = usePour();
  const { run, tab, sheet, set } = useFocus();
  const wide = useWide();
  const plan = usePlan();
  const tool = useTool();
  const open = TABS.find(([t]) => t === tab)?.[0] ?? 'here';
  const id =
    run !== null && elementIds(v.record.site).includes(run)
      ? run
      : (v.record.pour.elements[0] ?? '');
  return (
    <div className="flex flex-col gap-3">
      <div className="flex gap-2 overflow-x-auto" role="group" aria-label="Tools of setting out">
        {TABS.map(([t, name]) => (
          <button
            key={t}
            type="button"
            className="chip flex-1 justify-center max-sm:px-1.5"
            aria-pressed={t === open}
            onClick={() => {
              set({ tab: t });
            }}
          >
            {name}
          </button>
        ))}
      </div>
      {v.closed && <ClosedNote />}
      {!wide && (
        <div className="flex flex-wrap justify-between gap-2">
          {!plan.on && <Views />}
          <Toolbar />
        </div>
      )}
      {plan.on && (
        <UnderlayPanel
          siteId={v.record.siteId}
          units={v.units}
          tool={tool.kind === 'underlay' ? tool : null}
          setTool={(next) => {
            setTool(next ? { kind: 'underlay', ...next } : { kind: 'pick' });
          }}
        />
      )}
      {open === 'here' && <HerePanel id={id} />}
      {open === 'schedule' && (
        <SchedulePanel currentMark={v.record.site.runs.find((r) => r.id === id)?.type ?? null} />
      )}
      {open === 'levels' && <LevelsPanel />}
      {open === 'square' && <SquarePanel id={id} />}
      {open === 'lists' && <ListsPanel selected={id} />}
      {sheet === 'import' && (
        <ImportSheet
          onClose={() => {
            set({ sheet: null });
          }}
        />
      )}
      <QuestionSheets />
    </div>
  );
}
