import fs from 'node:fs';
import path from 'node:path';
import { parseAst, type Plugin } from 'vite';

const CORE = path.resolve(import.meta.dirname, '../core');
const REGISTER = path.join(CORE, 'register/register.ts');
/** What is only read where a calculation is explained. */
const WORDS = new Set(['title', 'purpose', 'formula', 'source', 'limits']);

/** Nodes of a syntax tree, as far as they are looked at here. */
interface Node {
  type: string;
  start: number;
  end: number;
  callee?: { name?: string };
  arguments?: Node[];
  properties?: { key: { name?: string }; value: Node & { value?: unknown }; end: number }[];
}

/** The object that each `calculation({…})` of a file is made of. */
function calculationsIn(node: unknown, found: Node[] = []): Node[] {
  if (Array.isArray(node)) for (const n of node) calculationsIn(n, found);
  else if (typeof node === 'object' && node !== null) {
    const { type, callee, arguments: given } = node as Node;
    const [first] = given ?? [];
    if (type === 'CallExpression' && callee?.name === 'calculation' && first) found.push(first);
    else for (const n of Object.values(node)) calculationsIn(n, found);
  }
  return found;
}

/** A file without the words of its calculations, and those words by id. */
function withoutWords(code: string) {
  const words: Record<string, Record<string, string>> = {};
  let rest = code;
  const found = calculationsIn(parseAst(code, { lang: 'ts' }).body);
  for (const { properties = [] } of found.toReversed()) {
    const said = properties.filter((p) => typeof p.value.value === 'string');
    const id = String(said.find((p) => p.key.name === 'id')?.value.value);
    const only = said.filter((p) => WORDS.has(p.key.name ?? ''));
    words[id] = Object.fromEntries(
      only.map((p): [string, string] => [p.key.name ?? '', String(p.value.value)]),
    );
    for (const p of only.toReversed()) {
      const { start } = p as unknown as Node;
      rest = rest.slice(0, start) + rest.slice(rest.indexOf(',', p.end) + 1);
    }
  }
  return { rest, words };
}

/**
 * The words of the calculations are read in the workbench and in a working only, and a phone would
 * fetch them with every screen: they are sent with the register, which puts them where they belong.
 */
export const wordsWithTheRegister: Plugin = {
  name: 'words-with-the-register',
  enforce: 'pre',
  transform(code, id) {
    if (id === REGISTER) {
      const all = fs
        .readdirSync(CORE, { recursive: true, encoding: 'utf8' })
        .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
        .map((f) => fs.readFileSync(path.join(CORE, f), 'utf8'))
        .filter((c) => c.includes('= calculation({'))
        .reduce((sum, c) => Object.assign(sum, withoutWords(c).words), {});
      return `${code}\nconst WORDS = ${JSON.stringify(all)};\nfor (const c of REGISTER) Object.assign(c, WORDS[c.id]);\n`;
    }
    return id.startsWith(CORE) && code.includes('= calculation({') ? withoutWords(code).rest : null;
  },
};
