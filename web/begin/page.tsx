export { NewSite as Component } from './NewSite.tsx';
