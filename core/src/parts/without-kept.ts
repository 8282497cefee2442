import type { BuildDocument } from '../document/document.ts';
import { donorSpecs } from '../document/donor.ts';
import { bareDonorKg, stays } from '../document/kept.ts';
import { knownBuild } from '../document/known.ts';
import type { Part } from './part.ts';

/** Types of parts that may stay of an electric donor. */
const MAY_STAY = ['motor', 'controller', 'pack', 'charger'] as const;

/**
 * What another part takes the place of stays no longer: it is bought, and a motor or controller that the donor was weighed with
 * is taken off its weight.
 */
export function withoutKept(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  const going = MAY_STAY.find((type) => type === part.type);
  if (going === undefined || packIndex > 0 || !stays(build, going)) return build;
  const keeps = build.donor.keeps.filter((kept) => kept !== going);
  const after: BuildDocument = { ...build, donor: { ...build.donor, keeps } };
  const { massKg } = build.donor;
  if (massKg.source === 'unknown' || going === 'pack' || going === 'charger') return after;
  const known = knownBuild(build);
  const less = bareDonorKg(after, known) - bareDonorKg(build, known);
  return {
    ...after,
    donor: {
      ...after.donor,
      massKg: {
        source:
          known[going === 'motor' ? 'drive' : 'controller'].massKg.source === 'unknown'
            ? 'assumed'
            : massKg.source,
        value: Math.max(donorSpecs.massKg.min, Number((massKg.value - less).toFixed(2))),
        note: `as weighed less the ${going} that goes`,
      },
    },
  };
}
