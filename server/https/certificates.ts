import { X509Certificate } from 'node:crypto';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';

/** Certificates are made once in a year: what makes them is not read at every start. */
const generate = async (...asked: Parameters<typeof import('selfsigned').generate>) =>
  (await import('selfsigned')).generate(...asked);

const DAY_MS = 86_400_000;
/** The authority lasts ten years: phones take it over once. */
const AUTHORITY_DAYS = 3650;
/** What phones take for a server's certificate is at most so old (825 days is the longest any takes). */
const SERVER_DAYS = 397;
const RENEW_DAYS = 30;

/** A key and its certificate, in PEM. */
export interface KeyPair {
  key: string;
  cert: string;
}

function write(file: string, text: string): void {
  fs.writeFileSync(file, text, { mode: 0o600 });
}

/** The site's own authority, made once and kept with the data: phones trust it, and nothing else does. */
export async function authority(dataDir: string): Promise<KeyPair> {
  const folder = path.join(dataDir, 'https');
  const [key, cert] = [path.join(folder, 'authority.key'), path.join(folder, 'authority.crt')];
  if (fs.existsSync(key) && fs.existsSync(cert))
    return { key: fs.readFileSync(key, 'utf8'), cert: fs.readFileSync(cert, 'utf8') };
  fs.mkdirSync(folder, { recursive: true, mode: 0o700 });
  const made = await generate(
    [{ name: 'commonName', value: 'Jactum, this site’s own authority' }],
    {
      keyType: 'ec',
      algorithm: 'sha256',
      notAfterDate: new Date(Date.now() + AUTHORITY_DAYS * DAY_MS),
      extensions: [
        { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
        { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
      ],
    },
  );
  write(key, made.private);
  write(cert, made.cert);
  return { key: made.private, cert: made.cert };
}

/** A certificate that this authority gives out, for these names and addresses. */
async function issue(ca: KeyPair, names: readonly string[]): Promise<KeyPair> {
  const made = await generate([{ name: 'commonName', value: names[0] ?? 'localhost' }], {
    keyType: 'ec',
    algorithm: 'sha256',
    notAfterDate: new Date(Date.now() + SERVER_DAYS * DAY_MS),
    ca,
    extensions: [
      { name: 'basicConstraints', cA: false, critical: true },
      { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
      { name: 'extKeyUsage', serverAuth: true },
      {
        name: 'subjectAltName',
        altNames: names.map((n) => (net.isIP(n) ? { type: 7, ip: n } : { type: 2, value: n })),
      },
    ],
  });
  return { key: made.private, cert: made.cert };
}

/** Whether a certificate is good for all of these names, and for some time yet. */
function stillGood(pem: string, names: readonly string[], nowMs: number): boolean {
  const cert = new X509Certificate(pem);
  const lasts = Date.parse(cert.validTo) - nowMs > RENEW_DAYS * DAY_MS;
  return lasts && names.every((n) => (net.isIP(n) ? cert.checkIP(n) : cert.checkHost(n)));
}

/**
 * The server's certificate of the site's own authority; made anew when it runs out or this machine
 * has another address.
 */
export async function serverCertificate(
  dataDir: string,
  names: readonly string[],
): Promise<KeyPair> {
  const ca = await authority(dataDir);
  const folder = path.join(dataDir, 'https');
  const [key, cert] = [path.join(folder, 'server.key'), path.join(folder, 'server.crt')];
  if (fs.existsSync(key) && fs.existsSync(cert)) {
    const kept = { key: fs.readFileSync(key, 'utf8'), cert: fs.readFileSync(cert, 'utf8') };
    if (stillGood(kept.cert, names, Date.now())) return kept;
  }
  const made = await issue(ca, names);
  write(key, made.key);
  write(cert, made.cert);
  return made;
}
