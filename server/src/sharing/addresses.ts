import { networkInterfaces } from 'node:os';

/** Addresses by which other devices of the network reach this computer (IPv4, as it listens). Read anew: a laptop moves. */
export const networkAddresses = (): readonly string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((one) => !one.internal && one.family === 'IPv4')
    .map((one) => one.address);

/**
 * An address of the socket that is this computer's own. Others of 127.0.0.0/8 are this computer as well, but nothing of ours speaks from
 * them: whoever does is asked for a code like everybody else.
 */
export const isLoopback = (address: string | undefined): boolean =>
  address === '127.0.0.1' || address === '::1' || address === '::ffff:127.0.0.1';
