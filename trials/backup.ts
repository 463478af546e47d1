import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuid } from 'uuid';
import { noteOf, TrialServer, Verdicts } from './server.ts';

/** Runs one of the scripts as a person would, while everything else goes on. */
function script(
  name: string,
  file: string,
  dataDir: string,
): Promise<{ ok: boolean; said: string }> {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--import', 'tsx', `scripts/${name}.ts`, file], {
      env: { ...process.env, DATA_DIR: dataDir },
    });
    let said = '';
    for (const out of [child.stdout, child.stderr])
      out.on('data', (c: Buffer) => {
        said += c.toString();
      });
    child.once('exit', (code) => {
      resolve({ ok: code === 0, said: said.trim() });
    });
  });
}

/** Backs a server up while it is written to, so many times, and brings each back: every log verifies. */
export async function backup(times: number): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const cookie = await server.signIn('crew');
  const pour = await server.pourId(cookie, 'P4');
  const dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-backups-'));
  for (let i = 0; i < times; i += 1) {
    const writer = keepWriting(server, cookie, pour);
    const file = path.join(dir, `${i}.jactum-backup`);
    const made = await script('backup', file, server.dataDir);
    const acknowledged = await writer.stop();
    verdicts.say(`backup ${i + 1}, ${acknowledged} entries came meanwhile`, made.said, made.ok);
    const back = await script('restore', file, path.join(dir, `back-${i}`));
    verdicts.say('brought back', back.said, back.ok);
  }
  await server.end();
  fs.rmSync(dir, { recursive: true, force: true });
  verdicts.end();
}

/** Writes without pause until it is told to stop. */
function keepWriting(server: TrialServer, cookie: string, pour: string) {
  let on = true;
  let acknowledged = 0;
  const done = (async () => {
    while (on) {
      const res = await server.call(cookie, 'POST', `/api/pours/${pour}/events`, {
        events: [noteOf(uuid(), 'while it is backed up')],
      });
      await res.arrayBuffer();
      if (res.ok) acknowledged += 1;
    }
  })();
  return {
    stop: async () => {
      on = false;
      await done;
      return acknowledged;
    },
  };
}
