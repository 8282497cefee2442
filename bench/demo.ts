import { readFileSync, readdirSync } from 'node:fs';
import { evaluate, readBuildText, shippedRules, type BuildDocument } from '@apple-cart/core';

const folder = new URL('../demo/builds/', import.meta.url);

/** The demo builds, in the order of their files. */
export const demoBuilds = (): readonly BuildDocument[] =>
  readdirSync(folder)
    .sort()
    .map((file) => {
      const read = readBuildText(readFileSync(new URL(file, folder), 'utf8'));
      if (!read.ok) throw new Error(file);
      return read.value;
    });

/** The demo build of a name. */
export function demoBuild(name: string): BuildDocument {
  const build = demoBuilds().find((b) => b.name === name);
  if (build === undefined) throw new Error(`no demo build ${name}`);
  return build;
}

/** What a keystroke waits for: the figures of the tray and the state of every stage. */
export function trayOf(build: BuildDocument, book = shippedRules()): unknown {
  const { figures, stages } = evaluate(build, book);
  return [figures, stages];
}

/** Every curve, table and working there is. */
export const wholeOf = (build: BuildDocument): unknown => JSON.stringify(evaluate(build, shippedRules()));
