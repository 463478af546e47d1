// Fails when the lock file lacks an optional (platform) package that its owner names, a version, or
// holds a download address.
import fs from 'node:fs';

const text = fs.readFileSync('package-lock.json', 'utf8');
const packages = JSON.parse(text).packages;
const problems = [];
const isLocked = (owner, name) => {
  for (let dir = owner; ;) {
    if (packages[`${dir ? `${dir}/` : ''}node_modules/${name}`]) return true;
    if (!dir) return false;
    const up = dir.lastIndexOf('/node_modules/');
    dir = up < 0 ? '' : dir.slice(0, up);
  }
};
for (const [key, p] of Object.entries(packages)) {
  const missing = Object.keys(p.optionalDependencies ?? {}).filter((name) => !isLocked(key, name));
  if (missing.length)
    problems.push(`${key} ${p.version}: the lock lacks ${missing.slice(0, 3).join(', ')}`);
  if (key && !p.version && !p.link) problems.push(`${key} has no version`);
}
if (text.includes('"resolved"')) problems.push('the lock file holds download addresses');
for (const line of problems) console.error(line);
console.log(
  problems.length
    ? `${problems.length} problems in the lock file`
    : `lock file whole, ${Object.keys(packages).length} entries`,
);
process.exit(problems.length ? 1 : 0);
