import type { z } from 'zod';
import type { changePersonBody, Person } from '../../contract/index.ts';
import { notFound, ProblemError } from '../problems.ts';
import type { AccountStore } from '../store/accounts.ts';
import type { SessionStore } from '../store/sessions.ts';

type Change = z.output<ReturnType<typeof changePersonBody>>;

/** Who may sign in, and what becomes of their sessions when that changes. */
export class PeopleService {
  readonly #accounts: AccountStore;
  readonly #sessions: SessionStore;
  constructor(accounts: AccountStore, sessions: SessionStore) {
    this.#accounts = accounts;
    this.#sessions = sessions;
  }

  async byId(id: string): Promise<Person> {
    const person = await this.#accounts.byId(id);
    if (!person) throw notFound('such person');
    return person;
  }

  /** Changes somebody's role, PIN or standing. Whoever was there by the old PIN or the old role is there no more. */
  async change(person: Person, { pin, ...change }: Change, by: string): Promise<void> {
    const { role, locked, removed } = change;
    const less =
      locked === true ||
      removed === true ||
      change.invited != null ||
      (role !== undefined && role !== 'foreman');
    if (less) await this.#keepOne(person, by);
    await this.#accounts.change(person.id, change);
    if (pin !== undefined) await this.#accounts.setPin(person.id, pin);
    if (person.name !== by) await this.#sessions.closeAllOf(person.name);
  }

  /** Nobody shuts the door on themselves, or takes the last foreman away. */
  async #keepOne(person: Person, by: string): Promise<void> {
    if (person.name === by)
      throw new ProblemError(409, 'Not that one', 'That is you: another foreman has to do this.');
    const others = (await this.#accounts.list()).filter(
      (p) => p.role === 'foreman' && !p.locked && !p.removed && p.id !== person.id,
    );
    if (person.role === 'foreman' && others.length === 0)
      throw new ProblemError(409, 'The last one', 'A site needs one foreman who can sign in.');
  }
}
