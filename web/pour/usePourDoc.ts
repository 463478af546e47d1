import { useState } from 'react';
import useSWR, { useSWRConfig } from 'swr';
import type { PourAnswer } from '../../contract/index.ts';
import type { PourDoc } from '#core/model';
import { ApiProblem, getJson, sendJson } from '../sync/api.ts';
import { say } from '../ui/say.ts';

/** A pour as its record says it, and how that is changed; what the server will not take is said. */
export function usePourDoc(pourId: string) {
  const { mutate: mutateAll } = useSWRConfig();
  const { data: record, mutate } = useSWR<PourAnswer, Error>(`/api/pours/${pourId}`, getJson);
  const [problem, setProblem] = useState<string | null>(null);
  const reread = async () => {
    await mutate();
    await mutateAll((key) => typeof key === 'string' && /^\/api\/(sites|pours)/.test(key));
  };
  /** Does it, reads everything anew, and says what came of it; false when it was refused. */
  const attempt = async (act: () => Promise<unknown>, done: string): Promise<boolean> => {
    setProblem(null);
    try {
      await act();
      await reread();
      say(done);
      return true;
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'That did not work.');
      if (e instanceof ApiProblem && e.problem.status === 409) await reread();
      return false;
    }
  };
  const keep = (pour: PourDoc, done: string) =>
    attempt(
      () => sendJson('PUT', `/api/pours/${pourId}/doc`, { version: record?.version, pour }),
      done,
    );
  return { record, problem, attempt, keep };
}
export type PourDocWork = ReturnType<typeof usePourDoc>;
