import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto';
import { networkAddresses } from './addresses.ts';

/** A code is good for so long, once; after so many wrong ones it is void. */
const CODE_MS = 10 * 60_000;
const MOST_WRONG = 50;
/** A device that was not seen for so long has to ask again. */
const SESSION_MS = 30 * 24 * 3600_000;
/** Devices at once. */
const MOST_DEVICES = 20;
const DIGITS = 8;

/** A device that was let in. */
export interface Device {
  readonly id: string;
  /** What it says of itself, shortened. */
  readonly name: string;
  readonly address: string;
  readonly since: string;
  readonly seen: string;
}

interface Session {
  readonly id: string;
  readonly name: string;
  readonly address: string;
  readonly since: number;
  seen: number;
}

const hashed = (text: string): Buffer => createHash('sha256').update(text).digest();

/**
 * Lets other devices of the local network in by a code that this computer shows: eight digits by chance, kept as a hash, good for ten
 * minutes and one device, void after fifty wrong guesses. A device that was let in has a cookie of 32 random bytes, of which a hash is
 * kept, in memory alone: a restart signs everybody out.
 */
export class Sharing {
  readonly on: boolean;
  /** Of this computer, as a URL writes them; other devices have to name one of them. */
  readonly addresses: () => readonly string[];
  readonly #now: () => number;
  #code: { readonly hash: Buffer; readonly until: number; wrong: number } | undefined;
  readonly #sessions = new Map<string, Session>();

  constructor(
    on: boolean,
    {
      now = Date.now,
      addresses = networkAddresses,
    }: Partial<Pick<Sharing, 'addresses'>> & { readonly now?: () => number } = {},
  ) {
    this.on = on;
    this.addresses = addresses;
    this.#now = now;
  }

  /** A new code; the one before it is void. */
  newCode(): { readonly code: string; readonly until: string } {
    const code = String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0');
    const until = this.#now() + CODE_MS;
    this.#code = { hash: hashed(code), until, wrong: 0 };
    return { code, until: new Date(until).toISOString() };
  }

  /** Lets a device in; gives what its cookie holds, or undefined where the code is wrong, old or used. */
  enter(code: string, name: string, address: string): string | undefined {
    const current = this.#code;
    if (current === undefined || current.until < this.#now()) return undefined;
    if (!timingSafeEqual(hashed(code), current.hash)) {
      current.wrong += 1;
      if (current.wrong >= MOST_WRONG) this.#code = undefined;
      return undefined;
    }
    this.#code = undefined;
    if (this.#sessions.size >= MOST_DEVICES) return undefined;
    const token = randomBytes(32).toString('base64url');
    const now = this.#now();
    this.#sessions.set(hashed(token).toString('hex'), {
      id: randomBytes(6).toString('hex'),
      name: name.slice(0, 80),
      address,
      since: now,
      seen: now,
    });
    return token;
  }

  /** Whether a cookie is one that was given out and not signed out. */
  knows(token: string): boolean {
    const key = hashed(token).toString('hex');
    const session = this.#sessions.get(key);
    if (session === undefined) return false;
    const now = this.#now();
    if (now - session.seen > SESSION_MS) {
      this.#sessions.delete(key);
      return false;
    }
    session.seen = now;
    return true;
  }

  leave(token: string): void {
    this.#sessions.delete(hashed(token).toString('hex'));
  }

  /** Signs a device out. False where there is none of that id. */
  signOut(id: string): boolean {
    for (const [key, session] of this.#sessions)
      if (session.id === id) {
        this.#sessions.delete(key);
        return true;
      }
    return false;
  }

  devices(): readonly Device[] {
    return [...this.#sessions.values()].map(({ id, name, address, since, seen }) => ({
      id,
      name,
      address,
      since: new Date(since).toISOString(),
      seen: new Date(seen).toISOString(),
    }));
  }
}
