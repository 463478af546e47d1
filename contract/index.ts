export * from './api.ts';
export { siteFileSchema, type SiteFile } from './site-file.ts';
