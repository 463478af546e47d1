export * from './api.ts';
export { siteFileSchema, type SiteFile } from './site-file.ts';
export { readSiteFile, type BroughtIn } from './site-import.ts';
