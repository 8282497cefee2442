import type { Known } from '../../../../document/known-build.ts';
import type { Phrase } from '../../../../quantity/phrase.ts';
import { countOf, sizeOf } from '../../helpers.ts';
import type { Draft, Rule } from '../../line.ts';

/** The two that an external drive's chain or belt goes round: on the motor's shaft, and on the wheel. */
export const sprockets: Rule = {
  id: 'sprockets',
  group: 'drive',
  origin: 'the build: an external motor pulls on a chain or belt of its own',
  lines: ({ build: { drive }, known: { drive: known } }) => {
    if (drive.kind !== 'external') return [];
    const name = drive.medium === 'belt' ? 'Pulley' : 'Sprocket';
    const sized = (where: string, teeth: Known): Phrase => [
      `${name} for the ${where}, ${countOf(teeth)} teeth, `,
      sizeOf(known.pitchMm, 2),
      ' pitch',
    ];
    const lines: readonly Draft[] = [
      {
        key: 'sprockets/motor',
        what: sized('motor’s shaft', known.motorSprocketTeeth),
        why: ['it has to sit on that shaft: bore, flat or key, and which way its screw turns'],
        kind: 'motor-sprocket',
        ask: 'Ask whether one is on the motor as it comes, of this pitch.',
      },
      {
        key: 'sprockets/wheel',
        what: [
          ...sized('driven wheel', known.wheelSprocketTeeth),
          drive.freewheel ? ', on a freewheel' : ', bolted to hub or disc mount',
        ],
        why: [
          drive.freewheel
            ? 'the wheel rolls on without turning the motor'
            : 'without a freewheel the wheel turns the motor as well',
        ],
        kind: 'wheel-sprocket',
      },
    ];
    return lines;
  },
};
