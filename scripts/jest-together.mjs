// A test file by itself loads all it imports anew: half the time of the core's tests and of the
// screens'. For `npm test` the files of a project are therefore put together, one after another.
import fs from 'node:fs';
import path from 'node:path';

const ROOT = path.resolve(import.meta.dirname, '..');
const TOGETHER = 'test-results/together';

/**
 * A file goes on running by itself where what it sets up would come over the tests of others: a hook
 * before or after each outside every describe, a module that is mocked, an environment of its own. What is
 * set up once, before all, may stand beside others: it is what the file keeps for itself.
 */
const BY_ITSELF = /^(?:before|after)Each\(|^jest\.unstable_mockModule\(|@jest-environment/mu;

/** The files that `<rootDir>/folder/**` with one ending means. */
function filesOf(pattern) {
  const [, folder, ending] = /^<rootDir>\/([a-z]+)\/\*\*\/\*(\.test\.tsx?)$/u.exec(pattern) ?? [];
  if (folder === undefined) throw new Error(`${pattern} is not a folder and an ending`);
  return fs
    .readdirSync(path.join(ROOT, folder), { recursive: true })
    .filter((name) => name.endsWith(ending))
    .map((name) => `${folder}/${name.split(path.sep).join('/')}`)
    .toSorted();
}

/** What a project runs in place of its files: one file that imports them, and those that run by themselves. */
export function together({ displayName, testMatch: [pattern] }) {
  const files = filesOf(pattern);
  const alone = files.filter((f) => BY_ITSELF.test(fs.readFileSync(path.join(ROOT, f), 'utf8')));
  const joined = files.filter((f) => !alone.includes(f));
  const file = `${TOGETHER}/${displayName}${path.extname(pattern)}`;
  const text = joined.map((f) => `import '../../${f}';\n`).join('');
  const target = path.join(ROOT, file);
  fs.mkdirSync(path.dirname(target), { recursive: true });
  // Two runs of Jest begin beside each other: what stands there already is left alone.
  if (!fs.existsSync(target) || fs.readFileSync(target, 'utf8') !== text)
    fs.writeFileSync(target, text);
  return [file, ...alone].map((f) => `<rootDir>/${f}`);
}
