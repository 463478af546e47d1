import fs from 'node:fs';
import path from 'node:path';

/** The mark by which a demo knows a folder as its own. */
const MARK = '.jactum-demo';
const WORDS = 'This folder belongs to the Jactum demo, which empties it at every start.\n';

/**
 * Empties the demo's folder, or makes it. Only a folder that is not there yet, is empty, or carries
 * the demo's own mark is touched: whatever else a setting may name stays as it is.
 * @param take takes the folder for this process, and throws when another has it; what it answers gives it back
 * @throws Error in words, with nothing touched, when the folder holds something that is not a demo's
 */
export function emptyDemoFolder(dataDir: string, take: (dir: string) => () => void): void {
  const held = fs.existsSync(dataDir) ? fs.readdirSync(dataDir) : [];
  if (held.length > 0 && !held.includes(MARK))
    throw new Error(
      `${dataDir} holds ${held.length} thing${held.length === 1 ? '' : 's'} that are not a demo's (${held.slice(0, 3).join(', ')}): the demo would empty it. Name another folder in DATA_DIR, or start without --demo.`,
    );
  const release = take(dataDir);
  for (const name of fs.readdirSync(dataDir))
    fs.rmSync(path.join(dataDir, name), { recursive: true, force: true });
  fs.mkdirSync(dataDir, { recursive: true });
  fs.writeFileSync(path.join(dataDir, MARK), WORDS);
  release();
}
