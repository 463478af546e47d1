/** The public face of this room: what others use of it. */
export { EXAMPLES } from './examples.ts';
export { type FieldInfo, fieldsOf } from './fields-of.ts';
export { calculationsPage } from './reference-page.ts';
export { calculationNamed, REGISTER, SUBJECTS } from './register.ts';
