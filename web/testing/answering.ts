/** What was sent to the server that a test stands in for. */
export interface Sent {
  path: string;
  body: Record<string, unknown>;
}

/** Stands in for the server: answers what `answer` says at that moment, and keeps what was sent. */
export function answering(answer: () => { status: number; body: unknown }): Sent[] {
  const sent: Sent[] = [];
  globalThis.fetch = ((path: string, init: RequestInit = {}) => {
    if (init.method === 'POST')
      sent.push({ path, body: JSON.parse(init.body as string) as Sent['body'] });
    const { status, body } = answer();
    return Promise.resolve({
      ok: status < 400,
      status,
      json: () => Promise.resolve(body),
      text: () => Promise.resolve(JSON.stringify(body)),
    } as Response);
  }) as typeof fetch;
  return sent;
}
