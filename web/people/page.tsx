export { People as Component } from './People.tsx';
