/** Command line of the calculation register: `npm run -s calc -- ID < in.json`, `--batch < cases.json`, `--list`. */
import { calculationNamed, REGISTER } from '#core/register';
import { BadInput, evaluate, type InputIssue } from '#core/kit';

interface Failure {
  message: string;
  issues: InputIssue[];
}
const failureOf = (e: unknown): Failure => {
  if (e instanceof BadInput) return { message: e.message, issues: e.issues };
  if (e instanceof SyntaxError)
    return {
      message: `the input is not JSON: ${e.message}`,
      issues: [{ path: '', message: 'is not JSON' }],
    };
  throw e;
};

function run(id: string, input: unknown) {
  const calc = calculationNamed(id);
  if (!calc)
    throw new BadInput(`there is no calculation ${id}`, [
      { path: 'id', message: `${id} is not in the register; --list shows what is` },
    ]);
  const { result, steps, cautions } = evaluate(calc, input);
  return { result, steps, cautions };
}

async function stdin(): Promise<unknown> {
  const chunks: Buffer[] = [];
  for await (const chunk of process.stdin) chunks.push(chunk as Buffer);
  return JSON.parse(Buffer.concat(chunks).toString('utf8'));
}

function answers(cases: unknown[]): unknown[] {
  return cases.map((c: unknown) => {
    const { id, input } = (typeof c === 'object' && c !== null ? c : {}) as {
      id?: unknown;
      input?: unknown;
    };
    try {
      return run(String(id), input);
    } catch (e) {
      return { error: failureOf(e) };
    }
  });
}

function batch(cases: unknown): unknown[] {
  if (!Array.isArray(cases))
    throw new BadInput('a batch is an array of {"id", "input"}', [
      { path: '', message: 'must be an array of {"id", "input"}' },
    ]);
  return answers(cases);
}

async function main(): Promise<void> {
  const [first] = process.argv.slice(2);
  if (first === '--list') console.log(REGISTER.map((c) => `${c.id}  ${c.title}`).join('\n'));
  else if (first === '--batch') process.stdout.write(`${JSON.stringify(batch(await stdin()))}\n`);
  else if (first === undefined)
    throw new BadInput('name a calculation, or use --list or --batch', [
      { path: 'id', message: 'is missing' },
    ]);
  else process.stdout.write(`${JSON.stringify(run(first, await stdin()))}\n`);
}

main().catch((e: unknown) => {
  console.error(JSON.stringify({ error: failureOf(e) }));
  process.exitCode = 2;
});
