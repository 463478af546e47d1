/** The public face of this room: what others use of it. */
export { materialsOf } from './materials.ts';
export { type Outline, outlinesOf } from './outline.ts';
export {
  concreteBetween,
  concreteOf,
  takeoff,
  takeOff,
  type Takeoff,
  takeOffOf,
} from './takeoff.ts';
