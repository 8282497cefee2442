import type { BuildDocument } from './document.ts';
import { MOST_PACKS, type PackDocument } from './pack.ts';
import { newBuild } from './template.ts';

/** A pack of which nothing is known but that it is of the chemistry and in the place of the last one. */
function furtherPack({ packs }: BuildDocument): PackDocument {
  const last = packs.at(-1) ?? packs[0];
  const [blank] = newBuild('Further').packs;
  const unknown = { source: 'unknown' } as const;
  return {
    ...blank,
    chemistry: last.chemistry,
    boxes: [{ place: last.boxes[0]?.place ?? 'free', at: null }],
    nominalV: unknown,
    capacityAh: unknown,
    bmsCurrentA: unknown,
    chargeLimitPct: unknown,
  };
}

/** The build with one more pack, used after the others; the same where it has as many as it may. */
export const withFurtherPack = (build: BuildDocument): BuildDocument =>
  build.packs.length >= MOST_PACKS ? build : { ...build, packs: [...build.packs, furtherPack(build)] };

/** The build without one of its packs; the last one stays. */
export function withoutPack(build: BuildDocument, index: number): BuildDocument {
  const [first, ...rest] = build.packs.filter((_, i) => i !== index);
  return first === undefined ? build : { ...build, packs: [first, ...rest] };
}

/** The build with one pack used one place earlier. */
export function withPackEarlier(build: BuildDocument, index: number): BuildDocument {
  const packs = [...build.packs];
  const [moved, before] = [packs[index], packs[index - 1]];
  if (moved === undefined || before === undefined) return build;
  packs[index - 1] = moved;
  packs[index] = before;
  return { ...build, packs: packs as BuildDocument['packs'] };
}
