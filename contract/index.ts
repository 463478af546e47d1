export * from './begin.ts';
export * from './people.ts';
export * from './planning.ts';
export * from './api.ts';
export { siteFileSchema, type SiteFile } from './site-file.ts';
export { readSiteFile } from './site-import.ts';
