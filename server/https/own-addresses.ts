import os from 'node:os';

/** Addresses of this machine in its networks, IPv4, those of the machine itself left out. */
export const networkAddresses = (): string[] =>
  Object.values(os.networkInterfaces()).flatMap((list) =>
    (list ?? []).filter((a) => !a.internal && a.family === 'IPv4').map((a) => a.address),
  );

/** Everything a certificate has to be good for. @param hosts further names by which it may be asked */
export function certificateNames(hosts: readonly string[]): string[] {
  const machine = os.hostname().toLowerCase();
  return [
    ...new Set([
      'localhost',
      machine,
      `${machine}.local`,
      ...hosts.map((h) => h.toLowerCase()),
      '127.0.0.1',
      ...networkAddresses(),
    ]),
  ];
}
