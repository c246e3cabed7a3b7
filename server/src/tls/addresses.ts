import { networkInterfaces } from 'node:os';

/** Addresses of this machine now: one that wakes up in another network has others. */
export const ownAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .flatMap((address) => address ?? []);

/** Addresses of the shop as a phone types them: names it was given first, then those of this machine in the shop's network. */
export function shopAddresses(host: string, port: number, names: readonly string[]): string[] {
  const everywhere = host === '0.0.0.0' || host === '::';
  const networks = ownAddresses().flatMap(({ family, internal, address }) =>
    family === 'IPv4' && !internal ? [address] : [],
  );
  return [...names, ...(everywhere ? networks : [host.includes(':') ? `[${host}]` : host])].map(
    (name) => `https://${name}:${port}`,
  );
}
