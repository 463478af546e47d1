import type { LogEvent } from './events.ts';
import { entries, firstId, type PourState } from './state.ts';

/** Something unclear in the drawings, and what was answered to it last. */
export interface Question {
  /** By what answers and photos name it: the same after its words were put right. */
  id: string;
  entry: LogEvent<'question'>;
  answer: LogEvent<'answer'> | null;
}

/** Every question of the pour, oldest first. */
export const questionsOf = (state: PourState): Question[] =>
  entries(state, 'question').map((entry) => {
    const id = firstId(state, entry);
    return {
      id,
      entry,
      answer: entries(state, 'answer').findLast((a) => a.body.questionId === id) ?? null,
    };
  });

/** Questions that nobody has answered. */
export const openQuestions = (state: PourState): Question[] =>
  questionsOf(state).filter((q) => q.answer === null);
