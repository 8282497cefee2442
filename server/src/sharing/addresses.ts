import { networkInterfaces } from 'node:os';

const isV4 = (address: string): boolean => address.includes('.');

/** Addresses by which other devices of the network reach this computer, as a URL writes them. Read anew: a laptop moves. */
export const networkAddresses = (): readonly string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter((one) => !one.internal && !one.address.startsWith('fe80'))
    .map((one) => (isV4(one.address) ? one.address : `[${one.address}]`));

/**
 * An address of the socket that is this computer's own. Others of 127.0.0.0/8 are this computer as well, but nothing of ours speaks from
 * them: whoever does is asked for a code like everybody else.
 */
export const isLoopback = (address: string | undefined): boolean =>
  address === '127.0.0.1' || address === '::1' || address === '::ffff:127.0.0.1';
