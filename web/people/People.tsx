import { useState } from 'react';
import useSWR from 'swr';
import type { Invitation, PersonRow } from '../../contract/index.ts';
import { HOLD_NAME } from '#core/model';
import { counted } from '#core/units';
import { useSession } from '../app/session.tsx';
import { BackRail } from '../app/BackRail.tsx';
import { getJson } from '../sync/api.ts';
import { AddPerson } from './AddPerson.tsx';
import { PersonActs } from './PersonActs.tsx';
import { ROLE_WORDS } from './role-words.ts';

const when = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(iso));

/** For what somebody was asked here alone. */
const askedText = ({ site, hold, until }: Invitation): string =>
  [
    site ? 'one site' : '',
    hold ? HOLD_NAME[hold].toLowerCase() : '',
    until ? `until ${when(until)}` : '',
  ]
    .filter(Boolean)
    .join(', ');

/** How somebody stands: gone, shut out, being guessed at, or simply here. */
function standing(p: PersonRow): { text: string; bad: boolean } {
  if (p.removed) return { text: 'removed; entries stay theirs', bad: false };
  if (p.locked) return { text: 'locked', bad: true };
  const guesses =
    p.guesses > 0 && p.wrongAt
      ? `${counted(p.guesses, 'wrong PIN')}, the last ${when(p.wrongAt)}`
      : null;
  if (guesses) return { text: guesses, bad: p.guesses >= 5 };
  const until = p.invited?.until;
  if (until && Date.parse(until) <= Date.now()) return { text: 'their time is over', bad: false };
  const asked = p.invited ? `${askedText(p.invited)}; ` : '';
  const devices = p.devices > 0 ? `on ${counted(p.devices, 'device')}` : 'signed in nowhere';
  return {
    text: asked + (p.seenAt ? `${devices}, last in ${when(p.seenAt)}` : 'never signed in'),
    bad: false,
  };
}

function PersonLine({ person, changed }: { person: PersonRow; changed: () => void }) {
  const { account } = useSession();
  const [open, setOpen] = useState(false);
  const { text, bad } = standing(person);
  const self = person.name === account.name;
  return (
    <li className={person.removed ? 'opacity-70' : ''}>
      <button
        type="button"
        aria-expanded={open}
        className="grid min-h-[72px] w-full grid-cols-1 items-center gap-x-6 py-3 text-left sm:grid-cols-[minmax(0,1fr)_180px_minmax(0,1.2fr)]"
        onClick={() => {
          setOpen(!open);
        }}
      >
        <b className="head text-[24px] leading-7">
          {person.name}
          {self && <span className="ml-2 text-[16px] font-normal text-ink2">you</span>}
        </b>
        <span className="font-semibold">{person.role}</span>
        <span className={bad ? 'font-semibold text-chalk-t' : 'text-ink2'}>{text}</span>
      </button>
      {open && <PersonActs person={person} self={self} changed={changed} />}
    </li>
  );
}

/** Everybody who may sign in, in what role and where they are: the foreman's screen. */
export function People() {
  const { account } = useSession();
  const foreman = account.role === 'foreman';
  const { data, error, mutate } = useSWR<PersonRow[], Error>(
    foreman ? '/api/accounts' : null,
    getJson,
  );
  const changed = () => {
    void mutate();
  };
  const people = [...(data ?? [])].sort((a, b) => Number(a.removed) - Number(b.removed));
  return (
    <div className="flex min-h-dvh flex-col">
      <BackRail title="People" tells="who may sign in, and as what" help="people" />
      <main className="mx-auto w-full max-w-[1040px] flex-1 px-5 pb-10 pt-4">
        {!foreman && <p className="text-[18px]">The foreman keeps the list of people.</p>}
        {error && (
          <p role="alert" className="font-semibold text-chalk-t">
            {error.message}
          </p>
        )}
        {foreman && data && (
          <>
            <ul className="rows border-b border-hair" aria-label="People">
              {people.map((p) => (
                <PersonLine key={p.id} person={p} changed={changed} />
              ))}
            </ul>
            <AddPerson changed={changed} />
            <dl className="mt-8 grid gap-x-6 gap-y-1 text-ink2 sm:grid-cols-[120px_1fr]">
              {Object.entries(ROLE_WORDS).map(([role, words]) => (
                <div key={role} className="contents">
                  <dt className="font-semibold text-ink">{role}</dt>
                  <dd className="mb-1">{words}</dd>
                </div>
              ))}
            </dl>
          </>
        )}
      </main>
    </div>
  );
}
