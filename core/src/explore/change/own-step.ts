import { QUANTITY_PATHS, specAt, type BuildDocument, type QuantityPath } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { knownAt, withValue } from '../../document/quantity-at.ts';
import { unreadOf } from '../../document/worked.ts';
import { usualDigits } from '../../quantity/format.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { ChangeStep } from './step.ts';

/** A step that somebody has thought of: one value of the build changed, for so much money. */
export interface OwnStep {
  readonly path: QuantityPath;
  readonly value: number;
  /** In the build's currency. */
  readonly cost: number;
}

const PREFIX = 'own/';
export const isOwn = (id: string): boolean => id.startsWith(PREFIX);

/** A step of one's own as an id: it says all that it is. */
export const ownId = ({ path, value, cost }: OwnStep): string =>
  `${PREFIX}${path}/${String(value)}/${String(cost)}`;

const PATHS = new Set<string>(QUANTITY_PATHS);

/** Reads such an id; undefined for one that names no value of a build, or is beyond what the value may be. */
export function readOwn(id: string): OwnStep | undefined {
  if (!isOwn(id)) return undefined;
  const [path = '', valueText = '', costText = ''] = id.slice(PREFIX.length).split('/');
  if (!PATHS.has(path) || valueText === '' || costText === '') return undefined;
  const [value, cost] = [Number(valueText), Number(costText)];
  const spec = specAt(path as QuantityPath);
  if (!Number.isFinite(value) || !Number.isFinite(cost) || value < spec.min || value > spec.max)
    return undefined;
  return { path: path as QuantityPath, value, cost };
}

/** The step of an id; undefined where the build has no such value. */
export function ownStep(build: BuildDocument, id: string): ChangeStep | undefined {
  const own = readOwn(id);
  if (own === undefined) return undefined;
  const { path, value, cost } = own;
  const index = /^packs\.(\d)/.exec(path);
  if (index !== null && Number(index[1]) >= build.packs.length) return undefined;
  const now = knownAt(knownBuild(build), path);
  const { label, unit } = specAt(path);
  const told = (n: number): Phrase[number] =>
    qty(n, unit, Math.max(usualDigits(n, unit), Number.isInteger(n) ? 0 : 2));
  const isRead = unreadOf(now).length === 0;
  return {
    id,
    kind: 'own',
    what: [`${label} `, ...(isRead ? [told(now.value), ' '] : []), 'to ', told(value)],
    against: isRead ? [] : [told(now.value)],
    note: 'your own step: what it takes is yours to say',
    setting: false,
    part: undefined,
    pieces: 1,
    money: cost,
    change: (b) => withValue(b, path, value),
  };
}
