import { expect, test } from '@jest/globals';
import express from 'express';
import request from 'supertest';
import { turnstile } from './turnstile.ts';

test('of many sign-ins at once most come again later, others go on, and then it is free', async () => {
  const app = express().use(turnstile());
  let open: () => void = () => undefined;
  const door = new Promise<void>((go) => {
    open = go;
  });
  app.post('/api/session', (_req, res) => {
    void door.then(() => res.status(401).end());
  });
  app.get('/api/pours', (_req, res) => {
    res.end();
  });
  const server = app.listen(0);
  try {
    const answers: { status: number; wait: unknown }[] = [];
    const tries = Array.from({ length: 60 }, (_, i) =>
      // However it is spelled.
      request(server)
        .post(i % 2 ? '/api/session' : '/API/session/')
        .then((res) => {
          answers.push({ status: res.status, wait: res.headers['retry-after'] });
        }),
    );
    while (answers.length < 36) await new Promise((go) => setTimeout(go, 5));
    expect(answers.every((a) => a.status === 503 && a.wait === '3')).toBe(true);
    await request(server).get('/api/pours').expect(200);
    open();
    await Promise.all(tries);
    expect(answers.filter((a) => a.status === 401)).toHaveLength(24);
    await request(server).post('/api/session').expect(401);
  } finally {
    server.close();
  }
});
