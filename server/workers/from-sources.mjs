// In development and in tests the worker is read from its TypeScript source; the built server has it as JavaScript.
import { register } from 'tsx/esm/api';

register();
export const { report, card, calculationIssues } = await import('./heavy-worker.ts');
