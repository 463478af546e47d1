export { NewPour as Component } from './NewPour.tsx';
