/**
 * Which of several windows this is, which others are open, and what they tell each other. Without channels between
 * windows every window believes itself alone.
 */

type Message =
  /** Asks who is there. */
  | { readonly say: 'who' }
  | { readonly say: 'here'; readonly id: string }
  /** A window begins under an id; a copied window begins under the id of the one it was copied from. */
  | { readonly say: 'begin'; readonly id: string; readonly nonce: string }
  | { readonly say: 'taken'; readonly nonce: string }
  /** A document was put away or brought back. */
  | { readonly say: 'moved'; readonly address: string };

const KEY = 'apple-cart-window';
/** Other windows of this machine answer within a few milliseconds; one that is busy drawing takes longer, ms. */
const ANSWER_MS = 300;
/** How long a window waits to hear that its id is taken, ms. */
const BEGIN_MS = 120;

/** Not `randomUUID`: a page that is served over plain http to a tablet does not have it. */
const fresh = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(8)), (n) => n.toString(16).padStart(2, '0')).join('');

function storedId(): string | undefined {
  try {
    return sessionStorage.getItem(KEY) ?? undefined;
  } catch {
    return undefined;
  }
}

function store(id: string): string {
  try {
    sessionStorage.setItem(KEY, id);
  } catch {
    // Without a store the id lives as long as the page.
  }
  return id;
}

let own: string | undefined;
let channel: BroadcastChannel | undefined;
let settled: Promise<void> = Promise.resolve();
const listeners = new Set<(address: string) => void>();
const heard = new Set<(id: string) => void>();

/** This window's id: the same after a reload, never shared by two windows. */
export const windowId = (): string => (own ??= store(storedId() ?? fresh()));

/** Resolves once it is certain that no other window goes by the same id. */
export const windowSettled = (): Promise<void> => settled;

/** Begins to talk to the other windows; once, when the page begins. */
export function joinWindows(): void {
  if (channel !== undefined || typeof BroadcastChannel === 'undefined') return;
  const open = new BroadcastChannel('apple-cart');
  channel = open;
  const nonce = fresh();
  const send = (message: Message): void => {
    open.postMessage(message);
  };
  open.addEventListener('message', ({ data }: MessageEvent<Message>) => {
    switch (data.say) {
      case 'who':
        send({ say: 'here', id: windowId() });
        break;
      case 'here':
        for (const hear of heard) hear(data.id);
        break;
      case 'begin':
        if (data.id === windowId() && data.nonce !== nonce) send({ say: 'taken', nonce: data.nonce });
        break;
      case 'taken':
        if (data.nonce === nonce) own = store(fresh());
        break;
      case 'moved':
        for (const listener of listeners) listener(data.address);
        break;
    }
  });
  send({ say: 'begin', id: windowId(), nonce });
  settled = new Promise((resolve) => setTimeout(resolve, BEGIN_MS));
}

/** Leaves the conversation: for tests. */
export function leaveWindows(): void {
  channel?.close();
  channel = undefined;
  own = undefined;
  settled = Promise.resolve();
}

/** Ids of the other windows that are open now. */
export async function otherWindows(): Promise<ReadonlySet<string>> {
  const found = new Set<string>();
  if (channel === undefined) return found;
  const hear = (id: string): void => void found.add(id);
  heard.add(hear);
  channel.postMessage({ say: 'who' } satisfies Message);
  await new Promise((resolve) => setTimeout(resolve, ANSWER_MS));
  heard.delete(hear);
  return found;
}

/** Tells the other windows that a document was put away or brought back: `/builds/x`. */
export function tellMoved(address: string): void {
  channel?.postMessage({ say: 'moved', address } satisfies Message);
}

/** Hears of documents that other windows put away or brought back. @returns ends the listening */
export function onMoved(listener: (address: string) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
