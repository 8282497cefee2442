import type { Stored } from '@apple-cart/contracts';
import { ApiError, isPutAway, mayPass } from './api.ts';
import type { Errand, SaveState, SavingPorts, Unsent, Whose } from './saving.ts';

/** A pause in typing after which a change is sent, ms. */
const QUIET_MS = 350;
/**
 * A server that is away is asked again after this long, then after twice as long, up to the last, ms. It is this
 * machine's own: whoever starts it again wants to see at once that everything is kept.
 */
const FIRST_RETRY_MS = 1000;
const LAST_RETRY_MS = 4000;

/** A request that is sent while the page goes may have so much, characters (Fetch standard: 64 KiB in all). */
const MOST_KEPT_ALIVE = 60_000;
/** States that do not end by themselves, or not before something else changes. */
const STUCK: ReadonlySet<SaveState> = new Set(['offline', 'refused', 'conflict', 'gone']);

function wordsOf(problem: unknown): string {
  if (problem instanceof ApiError) return problem.issues[0]?.message ?? problem.message;
  return problem instanceof Error ? problem.message : 'It could not be kept.';
}

/**
 * Saves one open document by itself: once after a burst of typing, one request at a time (a document would conflict
 * with its own edit), again and again while the server is away, and never over another window's edit. Pins and named
 * versions wait in the same line, so that what the screen says is kept is kept, in the order it was done.
 */
export class Autosaver<T> {
  readonly #ports: SavingPorts<T>;
  #document: T;
  #version: number;
  /** The document that the server last acknowledged; undefined for one that it does not have yet. */
  #acknowledged: T | undefined;
  #draftHeld = true;
  #keepPrevious: string | undefined;
  #errands: readonly Errand<T>[] = [];
  #theirs: Stored<T> | undefined;
  #state: SaveState = 'saved';
  #refusal: string | undefined;
  #sending: Promise<void> | undefined;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #retryMs = FIRST_RETRY_MS;
  #stopped = false;

  /**
   * @param opened the document, and the version that it began from
   * @param whose whether the server has the document as it is, or this window made it
   */
  constructor(
    opened: Pick<Stored<T>, 'version' | 'document'>,
    ports: SavingPorts<T>,
    whose: Whose = 'the server’s',
  ) {
    this.#ports = ports;
    this.#document = opened.document;
    this.#acknowledged = whose === 'the server’s' ? opened.document : undefined;
    this.#version = opened.version;
  }

  /** Goes on with what an earlier page could not send any more. */
  takeUp(unsent: Unsent<T>): void {
    this.#errands = unsent.errands;
    if (unsent.edited) {
      this.#document = unsent.document;
      this.#version = unsent.baseVersion;
      this.#keepPrevious = unsent.keepPrevious;
    }
    this.#held();
    this.#wait(QUIET_MS);
  }

  /** The document has become another one: it is sent after a pause. */
  edit(document: T): void {
    this.#document = document;
    this.#held();
    this.#wait(QUIET_MS);
  }

  /** Sends an errand behind what was typed before it, at once. */
  also(errand: Errand<T>): Promise<void> {
    this.#errands = [...this.#errands, errand];
    this.#held();
    this.#tell(this.#state === 'saved' ? 'waiting' : this.#state);
    return this.flush();
  }

  /** Sends what is unsent now. `keepalive`: the page is being left. */
  async flush(keepalive = false): Promise<void> {
    clearTimeout(this.#timer);
    // What is on its way is waited for; what was typed meanwhile follows it in the same call.
    while (!this.#stopped && this.#theirs === undefined && this.#unsent()) {
      this.#sending ??= this.#send(keepalive).finally(() => {
        this.#sending = undefined;
      });
      await this.#sending;
      if (this.#failed()) return;
    }
    // An edit that was taken back again leaves nothing to send.
    if (this.#theirs === undefined && this.#state !== 'saved' && !this.#unsent()) this.#tell('saved');
  }

  /**
   * Settles a conflict; whichever side is not taken is kept as a version. Mine is sent on top of theirs, and whenever
   * that comes through theirs is kept first; theirs is shown at once, and mine kept by an errand.
   */
  async resolve(choice: 'mine' | 'theirs'): Promise<void> {
    const theirs = this.#theirs;
    if (theirs === undefined) return;
    const mine = this.#document;
    this.#theirs = undefined;
    this.#version = theirs.version;
    this.#acknowledged = theirs.document;
    if (choice === 'mine') this.#keepPrevious = 'from the other window';
    else {
      this.#document = theirs.document;
      this.#keepPrevious = undefined;
      this.#errands = [
        ...this.#errands,
        { kind: 'keep', reason: 'set-aside', name: 'from this window, set aside', document: mine },
      ];
    }
    this.#held();
    this.#tell(this.#unsent() ? 'waiting' : 'saved');
    await this.flush();
  }

  /**
   * Another window had put the document away, and it is back: what waits is sent on, on top of the version that it began
   * from, so that what the other window changed before is not written over.
   */
  async broughtBack(): Promise<void> {
    this.#tell('waiting');
    await this.flush();
  }

  /** Another window has put the document away: there is nothing to send to. */
  putAway(): void {
    clearTimeout(this.#timer);
    if (this.#state !== 'conflict') this.#tell('gone');
  }

  /** Stops for good; what is unsent stays in the draft. */
  stop(): void {
    this.#stopped = true;
    clearTimeout(this.#timer);
  }

  get document(): T {
    return this.#document;
  }

  /**
   * True while closing the page would leave something unsent behind that no request on its way carries: the server does
   * not take it now, the browser does not hold it, or it is too large to be sent while the page goes.
   */
  get leavesBehind(): boolean {
    if (this.#stopped || !this.#unsent()) return false;
    return this.#failed() || !this.#draftHeld || JSON.stringify(this.#document).length > MOST_KEPT_ALIVE;
  }

  #edited(): boolean {
    return this.#document !== this.#acknowledged || this.#keepPrevious !== undefined;
  }

  #unsent(): boolean {
    return this.#edited() || this.#errands.length > 0;
  }

  #failed(): boolean {
    return STUCK.has(this.#state);
  }

  /** Keeps the draft in step with what is unsent. */
  #held(): void {
    this.#draftHeld = this.#ports.draft(
      this.#unsent()
        ? {
            baseVersion: this.#version,
            document: this.#document,
            edited: this.#edited(),
            keepPrevious: this.#keepPrevious,
            errands: this.#errands,
          }
        : undefined,
    );
  }

  #tell(state: SaveState): void {
    this.#state = state;
    if (this.#stopped) return;
    this.#ports.tell({
      version: this.#version,
      saveState: state,
      refusal: this.#refusal,
      held: this.#draftHeld,
      errandsWait: this.#errands.length,
      theirs: this.#theirs,
    });
  }

  #wait(ms: number): void {
    clearTimeout(this.#timer);
    if (this.#stopped) return;
    if (this.#state === 'conflict' || this.#state === 'gone') return;
    if (this.#sending === undefined && this.#state !== 'offline') this.#tell('waiting');
    this.#timer = setTimeout(() => void this.flush(), ms);
  }

  /** One request: the edit first, then the errands one by one. */
  async #send(keepalive: boolean): Promise<void> {
    this.#tell('saving');
    try {
      if (this.#edited()) await this.#sendEdit(keepalive);
      else await this.#sendErrand();
      this.#retryMs = FIRST_RETRY_MS;
      this.#refusal = undefined;
      this.#held();
      this.#tell(this.#unsent() ? 'waiting' : 'saved');
    } catch (problem) {
      this.#trouble(problem);
    }
  }

  async #sendEdit(keepalive: boolean): Promise<void> {
    const document = this.#document;
    const keepPrevious = this.#keepPrevious;
    const { version } = await this.#ports.save(
      {
        baseVersion: this.#version,
        document,
        ...(keepPrevious === undefined ? {} : { keepPrevious }),
      },
      keepalive,
    );
    this.#version = version;
    this.#acknowledged = document;
    this.#keepPrevious = undefined;
  }

  async #sendErrand(): Promise<void> {
    const [errand] = this.#errands;
    if (errand === undefined) return;
    let refusal: string | undefined;
    try {
      await this.#ports.run(errand);
    } catch (problem) {
      if (mayPass(problem) || isPutAway(problem)) throw problem;
      refusal = wordsOf(problem);
    }
    this.#errands = this.#errands.filter((e) => e !== errand);
    if (refusal !== undefined) this.#ports.refused?.(refusal, this.#errands);
  }

  #trouble(problem: unknown): void {
    if (problem instanceof ApiError && problem.status === 409 && problem.current !== undefined) {
      this.#theirs = problem.current as Stored<T>;
      this.#tell('conflict');
    } else if (isPutAway(problem)) {
      this.#tell('gone');
    } else if (mayPass(problem)) {
      this.#refusal = problem instanceof ApiError && problem.status > 0 ? wordsOf(problem) : undefined;
      this.#tell('offline');
      if (this.#stopped) return;
      this.#timer = setTimeout(() => void this.flush(), this.#retryMs);
      this.#retryMs = Math.min(2 * this.#retryMs, LAST_RETRY_MS);
    } else {
      this.#refusal = wordsOf(problem);
      this.#tell('refused');
    }
  }
}
