import { phraseText } from '../quantity/phrase.ts';
import type { BuildDocument } from '../document/document.ts';
import { newBuild } from '../document/template.ts';
import { evaluate } from './evaluate.ts';
import { sample, type Changes } from './sample.ts';
import type { Line } from '../workshop/parts-list/line.ts';

export const list = (build: BuildDocument): readonly Line[] =>
  evaluate(build).list.rows.flatMap(({ line }) => line ?? []);
type Kind = BuildDocument['drive']['kind'];
export type Case = readonly [changes: Changes, kind?: Kind];

/** A build of a hub motor, at the rear unless it says else, with a name for its motor. */
export function made([changes, kind = 'geared-hub']: Case): BuildDocument {
  return sample({ ...changes, drive: { name: 'Motor', ...changes.drive } }, kind);
}
export const none = newBuild('Nothing chosen');
export const box = (place: BuildDocument['packs'][number]['boxes'][number]['place'], count = 1) => ({
  boxes: Array.from({ length: count }, () => ({ place, at: null })),
});
export const light = { name: 'Lamp', volts: 12, watts: 5, onPct: 100, light: true };
export const hub = { flatsMm: 10, axleMm: 12 };
export const fromCells: Case = [{ pack: { make: 'cells', cellsInSeries: 13 }, cell: { parallel: 4 } }];
export const laidDown: Case = [{ pack: { chemistry: 'lead-acid', ...box('deck', 4) } }];

export const line = (build: BuildDocument, key: string): Line | undefined =>
  list(build).find((l) => l.key === key);
/** What a line asks for, and why; empty where there is none. */
export const words = (build: BuildDocument, key: string): string => {
  const found = line(build, key);
  return found === undefined ? '' : `${phraseText(found.what)}: ${phraseText(found.why)}`;
};
