import fs from 'node:fs';
import { v7 as uuid } from 'uuid';
import { newEventSchema } from '../contract/index.ts';
import type { EventBody, EventKind, LogEvent } from '#core/log';

/** A log of the demo as it is written, entry by entry, the same at every run. */
export class Script {
  lines: string[] = [];
  #n = 0;
  log<K extends EventKind>(atMs: number, actor: string, kind: K, body: EventBody<K>): string {
    this.#n += 1;
    const random = Uint8Array.from({ length: 16 }, (_, i) => (this.#n * 31 + i * 17) % 256);
    const event = newEventSchema.parse({
      id: uuid({ msecs: atMs, seq: this.#n, random }),
      at: new Date(atMs).toISOString(),
      kind,
      body,
    });
    this.lines.push(JSON.stringify({ ...event, actor }));
    return event.id;
  }
  /** The log as it has come so far, in the order of its moments. */
  get events(): LogEvent[] {
    return this.lines
      .map((l) => ({ supersedes: null, ...(JSON.parse(l) as object) }) as unknown as LogEvent)
      .sort((a, b) => a.at.localeCompare(b.at));
  }
  save(file: string): void {
    this.lines = this.lines
      .map((line) => ({ line, at: (JSON.parse(line) as { at: string }).at }))
      .sort((a, b) => a.at.localeCompare(b.at))
      .map(({ line }) => line);
    fs.writeFileSync(file, `${this.lines.join('\n')}\n`);
    console.log(`${file}: ${this.lines.length} entries`);
  }
}
