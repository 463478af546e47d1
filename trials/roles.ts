import { filled, ROUTES } from './routes.ts';
import { TrialServer, Verdicts, type Role } from './server.ts';

const ROLES: readonly Role[] = ['foreman', 'crew', 'inspector', 'viewer'];

/** Asks every address in every role, and as nobody: whoever may not is refused, whoever may is heard. */
export async function roles(): Promise<void> {
  const server = await TrialServer.made();
  const verdicts = new Verdicts();
  const cookies = new Map<Role, string>();
  for (const role of ROLES) cookies.set(role, await server.signIn(role));
  const foreman = cookies.get('foreman') ?? '';
  const pour = await server.pourId(foreman, 'P4');
  const [site] = (await (await server.call(foreman, 'GET', '/api/sites')).json()) as {
    id: string;
  }[];
  console.log(`  ${'address'.padEnd(48)}nobody  ${ROLES.map((r) => r.padEnd(11)).join('')}`);
  for (const { method, path, may } of ROUTES) {
    const route = filled(path, pour, site?.id ?? '');
    const ask = async (cookie: string) => {
      const res = await server.call(cookie, method, route, method === 'GET' ? undefined : {});
      // A stream never ends of itself.
      await (path.endsWith('/stream') ? res.body?.cancel() : res.arrayBuffer());
      return res.status;
    };
    const nobody = await ask('');
    let ok = nobody === 401;
    const cells: string[] = [];
    for (const role of ROLES) {
      const status = await ask(cookies.get(role) ?? '');
      const right = may.includes(role) ? status !== 401 && status !== 403 : status === 403;
      // A PIN that is not right is a 401 of its own.
      const own = path === '/api/session/pin' && status < 500;
      ok &&= (right || own) && status < 500;
      cells.push(String(status).padEnd(11));
    }
    console.log(
      `${ok ? '  ' : '! '}${`${method} ${path}`.padEnd(48)}${nobody}     ${cells.join('')}`,
    );
    if (!ok) verdicts.say(`${method} ${path}`, 'not as the table has it', false);
  }
  await server.end();
  verdicts.end();
}
