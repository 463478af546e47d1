import type { Plant } from '#core/model';

/** How what comes is called: loads off trucks, or batches out of a drum on the site. */
export interface SupplyWords {
  /** One of them, as a sentence begins. */
  load: string;
  /** The same within a sentence. */
  one: string;
  isHere: string;
  isEmpty: string;
  /** What is yet to come, beside its volume. */
  coming: string;
  /** What was used, said of its volume. */
  used: string;
}

const OFF_TRUCKS: SupplyWords = {
  load: 'Load',
  one: 'load',
  isHere: 'Load is here',
  isEmpty: 'Truck is empty',
  coming: 'on order',
  used: 'came off the trucks',
};
const MIXED_HERE: SupplyWords = {
  load: 'Batch',
  one: 'batch',
  isHere: 'Batch is mixed',
  isEmpty: 'Drum is empty',
  coming: 'to mix',
  used: 'was mixed',
};

/** Words for what a supplier sends: of a mixer on the site batches, without truck or ticket. */
export const supplyWords = ({ mixer }: Pick<Plant, 'mixer'>): SupplyWords =>
  mixer ? MIXED_HERE : OFF_TRUCKS;
