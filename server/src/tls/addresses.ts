import { networkInterfaces } from 'node:os';

/** Addresses of the shop as a phone types them: names it was given first, then those of this machine in the shop's network. */
export function shopAddresses(host: string, port: number, names: readonly string[]): string[] {
  const everywhere = host === '0.0.0.0' || host === '::';
  const own = Object.values(networkInterfaces())
    .flat()
    .flatMap((one) => (one && one.family === 'IPv4' && !one.internal ? [one.address] : []));
  return [...names, ...(everywhere ? own : [host.includes(':') ? `[${host}]` : host])].map((name) => `https://${name}:${port}`);
}
