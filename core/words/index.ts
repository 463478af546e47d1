/** The public face of this room: what others use of it. */
export { alarmWords, pressing, seamTone } from './alarms.ts';
export { balanceText } from './balance.ts';
export { entryText } from './entry-text.ts';
export { LOAD_ADVICE, loadVerdictText } from './loads.ts';
