import { packPath, type BuildDocument, type PackIndex, type SectionPath } from '../document/document.ts';
import { isPackPart } from '../document/part-types.ts';
import { sectionAt, withValues } from '../document/quantity-at.ts';
import { copyPart } from './apply-part.ts';
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

/** Groups of a build that a part of the shelf can fill; those of a pack only of the one it is for. */
const sectionsOf = (part: Part, packIndex: number): readonly SectionPath[] => {
  if (!isPackPart(part.type)) return ['donor', 'drive', 'gearing', 'controller', 'cabling'];
  const path = packPath(packIndex as PackIndex);
  return [path, `${path}.cell`, `${path}.charger`];
};

/** How the frame is drawn and where boxes sit is the builder's own work, and so is a gear held. */
const OWN_WORK = new Set([
  'points',
  'bosses',
  'outline',
  'boxes',
  'heldCogTeeth',
  'heldHubGear',
  // Groups of their own, and what was copied from where.
  'cell',
  'charger',
  'shelf',
]);

const forgets = (value: unknown): boolean =>
  value === 'unknown' ||
  (typeof value === 'object' && value !== null && 'source' in value && value.source === 'unknown');

interface Change {
  readonly section: SectionPath;
  readonly key: string;
  readonly here: unknown;
  readonly shelf: unknown;
}

/** Choices and labels follow the shelf; what a refresh would only forget is left alone. */
function changes(build: BuildDocument, part: Part, packIndex: number): readonly Change[] {
  const fresh = copyPart(build, part, packIndex);
  return sectionsOf(part, packIndex).flatMap((section) => {
    const now = sectionAt(build, section) ?? {};
    return Object.entries(sectionAt(fresh, section) ?? {})
      .map(([key, shelf]): Change => ({ section, key, here: now[key], shelf }))
      .filter(
        ({ key, here, shelf }) =>
          !OWN_WORK.has(key) &&
          !forgets(shelf) &&
          !own(here) &&
          JSON.stringify(shown(here)) !== JSON.stringify(shown(shelf)),
      );
  });
}

/** What a refresh from the shelf would change: values that came from a label and differ there now. */
export const staleValues = (build: BuildDocument, part: Part, packIndex = 0): readonly Stale[] =>
  changes(build, part, packIndex).map(({ section, key, here, shelf }) => ({
    path: `${section}.${key}`,
    here: shown(here),
    shelf: shown(shelf),
  }));

/** Takes over the shelf's values that {@link staleValues} lists, and nothing else. */
export const refreshed = (build: BuildDocument, part: Part, packIndex = 0): BuildDocument =>
  changes(build, part, packIndex).reduce<BuildDocument>(
    (next, { section, key, shelf }) => withValues(next, section, { [key]: shelf }),
    build,
  );
