import { readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { BackupState } from '@apple-cart/contracts';
import { backUp } from './copy.ts';

/** Backups of as many days are kept. */
const DAYS = 14;
/** How often it is looked whether a new day has begun, ms. */
const LOOK_MS = 60 * 60_000;
const NAME = /^apple-cart-(\d{4}-\d{2}-\d{2})\.sqlite$/;

/** The day on the wall, as the machine's clock has it. */
const dayOf = (now: Date): string =>
  [now.getFullYear(), now.getMonth() + 1, now.getDate()].map((n) => String(n).padStart(2, '0')).join('-');

export interface DailyOptions {
  readonly file: string;
  /** Undefined keeps none. */
  readonly folder: string | undefined;
  readonly now: () => Date;
  /** Hears of a backup that could not be made. */
  readonly warn: (problem: unknown) => void;
}

/** One backup a day beside the database, of the last fourteen days. */
export class DailyBackup {
  readonly #options: DailyOptions;
  #timer: NodeJS.Timeout | undefined;
  #trouble: string | undefined;
  #running: Promise<void> | undefined;

  constructor(options: DailyOptions) {
    this.#options = options;
  }

  /** Backs up now where today has none yet, and every day from now on. */
  begin(): void {
    if (this.#options.folder === undefined) return;
    void this.run();
    this.#timer = setInterval(() => void this.run(), LOOK_MS);
    this.#timer.unref();
  }

  async stop(): Promise<void> {
    clearInterval(this.#timer);
    await this.#running;
  }

  /** Makes today's backup where there is none, and lets go of those that are too old. */
  run(): Promise<void> {
    this.#running ??= this.#run().finally(() => {
      this.#running = undefined;
    });
    return this.#running;
  }

  /** What there is, the newest first. */
  async state(): Promise<BackupState> {
    const { folder, file } = this.#options;
    const days = await this.#days();
    return {
      on: folder !== undefined,
      folder: folder ?? null,
      file,
      days: [...days],
      trouble: this.#trouble ?? null,
    };
  }

  async #run(): Promise<void> {
    const { file, folder, now, warn } = this.#options;
    if (folder === undefined) return;
    const today = dayOf(now());
    try {
      const days = await this.#days();
      if (!days.includes(today)) await backUp(file, join(folder, `apple-cart-${today}.sqlite`));
      // Counted in backups, not in days: who comes back after a year still finds the last ones.
      for (const day of (await this.#days()).slice(DAYS)) await rm(join(folder, `apple-cart-${day}.sqlite`));
      this.#trouble = undefined;
    } catch (problem) {
      this.#trouble = problem instanceof Error ? problem.message : 'The backup could not be made.';
      warn(problem);
    }
  }

  async #days(): Promise<readonly string[]> {
    const { folder } = this.#options;
    const names = folder === undefined ? [] : await readdir(folder).catch(() => []);
    return names
      .flatMap((name) => NAME.exec(name)?.[1] ?? [])
      .sort()
      .reverse();
  }
}
