import type {
  Conveyance,
  CrewMember,
  FootingType,
  FormSystem,
  Mixer,
  MixRecord,
  Plant,
  Prices,
  WallType,
} from '#core/model';

/** Everything that one site may take over from another: its schedule, and what there is to plan with. */
export interface Lists {
  footingTypes: FootingType[];
  wallTypes: WallType[];
  formSystems: FormSystem[];
  mixes: MixRecord[];
  plants: Plant[];
  conveyances: Conveyance[];
  mixers: Mixer[];
  crew: CrewMember[];
  prices?: Prices | undefined;
}
type ListName = Exclude<keyof Lists, 'prices'>;

/** The lists that can be taken over, in the order they are offered, with what they are called. */
export const LISTS: { name: ListName; words: string }[] = [
  { name: 'footingTypes', words: 'footing types' },
  { name: 'wallTypes', words: 'wall types' },
  { name: 'formSystems', words: 'forms' },
  { name: 'mixes', words: 'mixes' },
  { name: 'plants', words: 'plants' },
  { name: 'conveyances', words: 'conveyances' },
  { name: 'mixers', words: 'mixers' },
  { name: 'crew', words: 'crew' },
];

type Item = { mark?: string; id?: string; name?: string; usual?: boolean | undefined };
/** By what one thing of a list is told from the others. */
const keyOf = (item: Item): string => item.mark ?? item.id ?? item.name ?? '';

/** One thing of the other site, and how it stands to what is here. */
export interface MergeRow {
  list: ListName;
  key: string;
  /** `new` is not here; `same` is here as it is there; `other` is here under that name and says something else. */
  standing: 'new' | 'same' | 'other';
  /** What is here is only what is usual: taking the other is offered. */
  onlyUsual: boolean;
}

const bare = (item: Item): string => {
  const { usual: _usual, ...rest } = item;
  return JSON.stringify(rest);
};

/** What another site has, thing by thing, against what is here. */
export function mergeRows(into: Lists, from: Lists): MergeRow[] {
  return LISTS.flatMap(({ name }) => {
    const here = new Map((into[name] as Item[]).map((x) => [keyOf(x), x]));
    return (from[name] as Item[]).map((x): MergeRow => {
      const mine = here.get(keyOf(x));
      const differs = mine && bare(mine) !== bare(x) ? 'other' : 'same';
      return {
        list: name,
        key: keyOf(x),
        standing: mine ? differs : 'new',
        onlyUsual: mine?.usual === true,
      };
    });
  });
}

/** How a thing is named among those that are taken. */
export const rowName = (r: Pick<MergeRow, 'list' | 'key'>): string => `${r.list} ${r.key}`;

/** What is taken unless somebody says otherwise: what is new, and what stands over a figure that is only usual. */
export const offeredRows = (rows: readonly MergeRow[]): string[] =>
  rows.filter((r) => r.standing === 'new' || (r.standing === 'other' && r.onlyUsual)).map(rowName);

/**
 * The lists of a site with what is taken of another: in the place of what has its name, else at the
 * end. Lists nothing is taken of are left out.
 */
export function merged(into: Lists, from: Lists, taken: ReadonlySet<string>): Partial<Lists> {
  const out: Partial<Lists> = {};
  for (const { name } of LISTS) {
    const news = (from[name] as Item[]).filter((x) =>
      taken.has(rowName({ list: name, key: keyOf(x) })),
    );
    if (news.length === 0) continue;
    const byKey = new Map(news.map((x) => [keyOf(x), x]));
    const here = into[name] as Item[];
    const kept = here.map((x) => byKey.get(keyOf(x)) ?? x);
    const had = new Set(here.map(keyOf));
    (out as Record<ListName, Item[]>)[name] = [...kept, ...news.filter((x) => !had.has(keyOf(x)))];
  }
  if (taken.has('prices') && from.prices) out.prices = { ...into.prices, ...from.prices };
  return out;
}
