import { measured, type Check } from '../check/check.ts';
import { qty } from '../quantity/phrase.ts';
import { mayBeChild } from '../document/counts-when.ts';
import type { Judged } from './judged.ts';

/**
 * The rider against the least age that the class asks for where it is ridden, once somebody has said it; of one who may be a
 * child it is asked.
 */
export function riderChecks({ build, here, known }: Judged): readonly Check[] {
  const age = known.brief.riderAgeYears;
  const least = Math.max(
    0,
    ...here.duties.filter((d) => d.kind === 'age' && d.asked === 'yes').map((d) => d.years ?? 0),
  );
  if (least === 0 || (age.source === 'unknown' && !mayBeChild(build))) return [];
  return [
    measured({
      id: 'rider-age',
      group: 'law',
      title: `Rider’s age, ${here.place.shortName}`,
      value: age.value,
      unit: 'years',
      sense: 'least',
      fine: least,
      look: least,
      limit: ['at least ', qty(least, 'years', 0)],
      why: [`${here.className}: its rider has to be `, qty(least, 'years', 0), ' or over, as remembered.'],
      remedy: ['Another class, place or rider: on private land only until then. The authority decides.'],
      origin: 'from memory',
      source: 'the duties of the class, see there',
      inputs: [age],
    }),
  ];
}
