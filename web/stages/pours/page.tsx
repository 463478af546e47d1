export { Pours as Component } from './Pours.tsx';
