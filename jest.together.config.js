/** What `npm test` runs: the same tests, those put together that may be. See scripts/jest-together.mjs. */
import config from './jest.config.js';
import { together } from './scripts/jest-together.mjs';

export default {
  ...config,
  projects: config.projects.map((project) => ({ ...project, testMatch: together(project) })),
};
