import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { authority, serverCertificate } from './certificates.ts';

let dir: string;
beforeEach(() => {
  dir = fs.mkdtempSync(path.join(os.tmpdir(), 'jactum-https-'));
});
afterEach(() => {
  fs.rmSync(dir, { recursive: true, force: true });
});

test('the authority is made once, and the server’s certificate is signed by it for the names it has', async () => {
  const ca = await authority(dir);
  expect(await authority(dir)).toEqual(ca);
  const names = ['site.local', '192.168.4.20'];
  const { cert } = await serverCertificate(dir, names);
  const [own, root] = [new X509Certificate(cert), new X509Certificate(ca.cert)];
  expect(own.verify(root.publicKey)).toBe(true);
  expect(root.ca).toBe(true);
  expect(own.ca).toBe(false);
  expect(own.checkHost('site.local')).toBe('site.local');
  expect(own.checkIP('192.168.4.20')).toBe('192.168.4.20');
  expect(own.checkHost('elsewhere.example')).toBeUndefined();
});

test('another address of the machine gets another certificate, the same one keeps its own', async () => {
  const first = await serverCertificate(dir, ['site.local']);
  expect(await serverCertificate(dir, ['site.local'])).toEqual(first);
  const second = await serverCertificate(dir, ['site.local', '10.0.0.7']);
  expect(second.cert).not.toBe(first.cert);
  expect(new X509Certificate(second.cert).checkIP('10.0.0.7')).toBe('10.0.0.7');
});

test('keys are their owner’s to read', async () => {
  await serverCertificate(dir, ['site.local']);
  for (const name of fs.readdirSync(path.join(dir, 'https')))
    expect(fs.statSync(path.join(dir, 'https', name)).mode & 0o077).toBe(0);
});
