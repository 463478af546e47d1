import { v7 as uuid } from 'uuid';
import type { OrderAnswer } from '../../contract/planning.ts';
import { NoAnswer, NoSignal, sendJson } from './api.ts';

/** What the plant said; or that nobody heard it, with the same to be told again. */
export interface PlantSaid {
  taken: boolean;
  text: string;
  /** It was not heard: told again it is the same order, and never two. */
  again?: () => Promise<void>;
}

/**
 * Tells the plant. Without signal nothing was ordered, and that is said with the way to do it again
 * under the same id: if it did arrive, it is told once.
 */
export async function tellPlant(
  pourId: string,
  body: object,
  heard: (said: PlantSaid) => void,
  taken: () => Promise<unknown>,
  id: string = uuid(),
): Promise<void> {
  try {
    const answer = await sendJson<OrderAnswer>('POST', `/api/pours/${pourId}/order`, {
      ...body,
      id,
    });
    heard({ taken: answer.taken, text: answer.said });
    await taken();
  } catch (e) {
    if (e instanceof NoSignal)
      heard({
        taken: false,
        text:
          e instanceof NoAnswer
            ? 'No answer: whether it was ordered is not known.'
            : 'Not ordered: no signal.',
        again: () => tellPlant(pourId, body, heard, taken, id),
      });
    else heard({ taken: false, text: e instanceof Error ? e.message : 'That did not work.' });
  }
}
