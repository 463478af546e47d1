/** What this device knows of the site's clock: how far it is ahead of its own, and how surely, ms. */
export interface SiteOffset {
  offsetMs: number;
  sureMs: number;
}

/**
 * The site's time on this device. An answer of the server is true to half the time it took; the
 * offset is moved only by one that contradicts it, so that slow answers do not shake the clock.
 * Entries are stamped one after another: a reading taken after a fix must not come before it in the
 * log because the clock was set right in between.
 */
export class SiteTime {
  #known: SiteOffset | null;
  #lastMs = -Infinity;
  constructor(known: SiteOffset | null) {
    this.#known = known;
  }

  /** What to keep for a reload without signal. */
  get known(): SiteOffset | null {
    return this.#known;
  }

  now(deviceMs: number): number {
    return deviceMs + (this.#known?.offsetMs ?? 0);
  }

  /** Takes the server's time, asked for at `sentMs` and answered at `gotMs` by this device's clock. */
  heard(serverMs: number, sentMs: number, gotMs: number): void {
    const said = { offsetMs: serverMs - (sentMs + gotMs) / 2, sureMs: (gotMs - sentMs) / 2 };
    if (
      !this.#known ||
      Math.abs(said.offsetMs - this.#known.offsetMs) > said.sureMs + this.#known.sureMs
    )
      this.#known = said;
  }

  /**
   * When an entry made now was made: later than the one before, unless the clock was put back by
   * more than it is ever set right by.
   */
  stamp(deviceMs: number): number {
    const now = this.now(deviceMs);
    this.#lastMs =
      now <= this.#lastMs && this.#lastMs - now < SET_RIGHT_MS ? this.#lastMs + 1 : now;
    return this.#lastMs;
  }
}

/** A clock is set right by seconds; the demo's is put back by hours, ms. */
const SET_RIGHT_MS = 30_000;
