import { useSyncExternalStore } from 'react';
import type { UnderlayTool } from '../../underlay/UnderlayPanel.tsx';

/** What a press on the plan does while it is changed: pick and drag, or put in a run, a pad or a pier. */
export type Tool =
  | { kind: 'pick' }
  | { kind: 'run'; from: string | { xM: number; yM: number } | null }
  | { kind: 'pad' }
  | { kind: 'pier' }
  | ({ kind: 'underlay' } & UnderlayTool);

let tool: Tool = { kind: 'pick' };
const heard = new Set<() => void>();
export const setTool = (next: Tool): void => {
  tool = next;
  for (const h of heard) h();
};
export const useTool = (): Tool =>
  useSyncExternalStore(
    (h) => {
      heard.add(h);
      return () => {
        heard.delete(h);
      };
    },
    () => tool,
  );
