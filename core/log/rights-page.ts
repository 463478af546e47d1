import { type Hold, HOLD_NAME, HOLDS, type Role, ROLES } from '#core/model';
import { EVENT_KINDS, kindOf, type EventKind } from './events.ts';
import { mayTakeBack, mayWrite } from './rights.ts';

/** A row of the table of rights: a kind of entry, and for sign-offs the hold point they are of. */
interface Row {
  kind: EventKind;
  hold: Hold | null;
}
const ROWS: Row[] = EVENT_KINDS.flatMap((kind): Row[] =>
  kind === 'sign' ? HOLDS.map((hold) => ({ kind, hold })) : [{ kind, hold: null }],
);

/** What a role may do with a kind: write it, take their own back, take another's back. */
function cell(role: Role, { kind, hold }: Row): string {
  const entry = (actor: string) => ({ kind, actor, hold });
  const may = [
    mayWrite(role, kind, hold) ? 'write' : '',
    mayTakeBack({ role, name: 'own' }, entry('own')) ? 'own back' : '',
    mayTakeBack({ role, name: 'own' }, entry('other')) ? 'others’ back' : '',
  ].filter(Boolean);
  return may.join(', ') || '–';
}

const rowOf = (row: Row): string => {
  const name = row.hold ? `${row.kind}: ${HOLD_NAME[row.hold].toLowerCase()}` : row.kind;
  const closed = kindOf(row.kind).afterClosing ? 'yes' : 'no';
  return `| ${name} | ${ROLES.map((role) => cell(role, row)).join(' | ')} | ${closed} |`;
};

/** The table of rights over the log, as a page: made of what the server asks, so that it says what holds. */
export const rightsPage = (): string =>
  [
    '# Rights over the log',
    '',
    'Written by `npm run docs` from `core/log/kinds/`; a test fails when it is stale. *Own back* and *others’ back*: taking an entry',
    'back or correcting it; it stays in the log either way. Sign-offs are taken back with a PIN. Nobody takes back what was poured',
    'against the gate. In a closed pour only the kinds marked so are taken, and what happened before it was closed.',
    '',
    `| entry | ${ROLES.join(' | ')} | after closing |`,
    `| --- | ${ROLES.map(() => '---').join(' | ')} | --- |`,
    ...ROWS.map(rowOf),
    '',
  ].join('\n');
