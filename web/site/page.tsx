export { SiteScreen as Component } from './SiteScreen.tsx';
