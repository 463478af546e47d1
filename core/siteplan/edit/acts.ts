import type { Drawn } from '../drawn.ts';
import type { FormSystem, Opening, Run, Spot } from '#core/model';

/** A list of the plan that is edited item by item, by id. */
type ObjectList = 'pads' | 'piers' | 'plates' | 'anchors' | 'embeds' | 'points';

interface Change<List extends ObjectList> {
  do: 'change';
  list: List;
  id: string;
  change: Partial<Drawn[List][number]>;
}

/** An opening as somebody saw it: others of its run may have come or gone since. */
interface SeenOpening {
  index: number;
  opening: Opening;
}

/** One act on the plan. */
export type PlanEdit =
  | { do: 'moveNode'; id: string; to: Spot }
  /** A node dropped on another: the two become one. */
  | { do: 'joinNodes'; id: string; into: string }
  | {
      do: 'addRun';
      kind: Run['kind'];
      type: string;
      from: string | Spot;
      to: string | Spot;
      bottomM: number;
      topM?: number;
      pour: string | null;
    }
  | { do: 'setLength'; id: string; lengthM: number }
  | { do: 'setAngle'; id: string; angleDeg: number }
  | { do: 'splitRun'; id: string; atM: number; type?: string }
  | { do: 'removeElement'; id: string }
  | {
      do: 'setRun';
      id: string;
      change: Partial<
        Pick<Run, 'type' | 'label' | 'bottomM' | 'topM' | 'offsetM' | 'step' | 'crawl'>
      >;
    }
  | { do: 'putOpening'; id: string; index: number | null; opening: Opening }
  /** Some of what an opening is, as it was seen at its place; the rest stays as it stands by now. */
  | { do: 'changeOpening'; id: string; seen: SeenOpening; change: Partial<Opening> }
  | { do: 'removeOpening'; id: string; seen: SeenOpening }
  | { do: 'put'; list: ObjectList; item: Drawn[ObjectList][number]; pour?: string | null }
  /** Some of what a thing is; the rest stays as it stands by now, which may be later than what was seen. */
  | { [List in ObjectList]: Change<List> }[ObjectList]
  | { do: 'remove'; list: ObjectList; id: string }
  | {
      do: 'putType';
      list: 'footingTypes' | 'wallTypes';
      type: Drawn['footingTypes'][number] | Drawn['wallTypes'][number];
    }
  /** Sizes that were only usual are as the drawing or the maker has them: types, forms and pads by their marks. */
  | { do: 'confirm'; marks: string[] }
  | { do: 'removeType'; mark: string }
  | { do: 'putForms'; system: FormSystem }
  | { do: 'removeForms'; mark: string }
  /** Elements that another pour takes over, at the end of its route. */
  | { do: 'moveToPour'; ids: string[]; pour: string }
  /** What a pour's walls stand in; null for none named. */
  | { do: 'setForms'; pour: string; forms: string | null }
  | { do: 'setGround'; ground: Drawn['ground'] }
  | { do: 'setCurrency'; currency: string }
  | { do: 'setBenchmark'; benchmark: Drawn['benchmark'] };

/** A plan cannot be changed so: why, in words for the foreman. */
export class EditRefused extends Error {}
/** Stops an act, with its reason. */
export const refuse = (why: string): never => {
  throw new EditRefused(why);
};
