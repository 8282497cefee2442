import type { BuildDocument } from '../document/document.ts';
import { applyPart } from './apply-part.ts';
import type { Part } from './part.ts';

/** One value of a build that is no longer what the shelf says. */
export interface Stale {
  readonly path: string;
  readonly here: unknown;
  readonly shelf: unknown;
}

const shown = (value: unknown): unknown =>
  typeof value === 'object' && value !== null && 'value' in value ? value.value : value;

/** A value entered by hand is the builder's own; one from the label follows the shelf. */
const own = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  'source' in value &&
  (value.source === 'measured' || value.source === 'assumed');

/** What a refresh from the shelf would change: values that came from a label and differ there now. */
export function staleValues(build: BuildDocument, part: Part): readonly Stale[] {
  const fresh = applyPart(build, part);
  const out: Stale[] = [];
  for (const section of [
    'donor',
    'drive',
    'gearing',
    'pack',
    'cell',
    'controller',
    'cabling',
    'charger',
  ] as const) {
    const [here, there]: Record<string, unknown>[] = [build[section], fresh[section]];
    for (const [key, value] of Object.entries(there ?? {})) {
      const now = here?.[key];
      // Choices and labels follow the shelf; what a refresh would only forget is left alone.
      if (value === 'unknown') continue;
      if (own(now) || JSON.stringify(shown(now)) === JSON.stringify(shown(value))) continue;
      if (typeof value === 'object' && value !== null && 'source' in value && value.source === 'unknown')
        continue;
      if (
        key === 'points' ||
        key === 'bosses' ||
        key === 'outline' ||
        key === 'boxes' ||
        key.startsWith('held')
      )
        continue;
      out.push({ path: `${section}.${key}`, here: shown(now), shelf: shown(value) });
    }
  }
  return out;
}

/** Takes over the shelf's values for the paths listed, and nothing else. */
export function refreshed(build: BuildDocument, part: Part): BuildDocument {
  const fresh = applyPart(build, part) as unknown as Record<string, Record<string, unknown>>;
  const next = { ...build } as unknown as Record<string, Record<string, unknown>>;
  for (const { path } of staleValues(build, part)) {
    const [section = '', key = ''] = path.split('.');
    next[section] = { ...next[section], [key]: fresh[section]?.[key] };
  }
  return next as unknown as BuildDocument;
}
