import { measured, told, type Check } from '../check/check.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { highestVolts } from '../power-chain/subject.ts';
import type { Machine } from '../machine/machine.ts';
import { qty } from '../quantity/phrase.ts';

/** The least of 1.5 to 5 times the amps of the iron, over the usual 2.5. */
const LEAST_USUAL = 1.5 / 2.5;

/**
 * What a field that is no longer held down does: the back EMF stands above the pack. It must stay below what the
 * controller stands (derived), and without a freewheel it brakes and charges by itself.
 */
export function weakeningChecks(build: BuildDocument, known: KnownBuild, machine: Machine): readonly Check[] {
  const { weakens } = build.controller;
  if (weakens !== 'yes' || build.drive.commutation === 'brushes') return [];
  const { controller, drive, packs } = known;
  const { ratedV, weakeningA } = controller;
  const full = highestVolts(build, known);
  // What nobody has measured is taken at the least that is usual: the magnets then stand highest.
  const cancelA = drive.cancelA.value * (drive.cancelA.source === 'unknown' ? LEAST_USUAL : 1);
  const emf = full / (1 - Math.min(0.5, weakeningA.value / cancelA));
  const { freewheel } = machine.motor;
  return [
    measured({
      id: 'weakened-volts',
      group: 'drive',
      title: 'Volts of the motor when weakening stops at top speed',
      value: emf,
      unit: 'V',
      sense: 'most',
      fine: ratedV.value,
      look: ratedV.value,
      limit: ['at most ', qty(ratedV.value, 'V')],
      limitFrom: [ratedV],
      why: [
        'Switched off at speed, nothing holds the field down: the motor stands at up to ',
        qty(emf, 'V'),
        ', a full pack at ',
        qty(full, 'V'),
        '.',
      ],
      remedy: [
        'Allow less weakening, or take a controller for more volts: beyond its rating it is destroyed.',
      ],
      origin: 'derived',
      inputs: [ratedV, weakeningA, packs[0].cellsInSeries],
    }),
    told({
      id: 'weakened-full',
      group: 'drive',
      title: 'Weakened on a full pack',
      state: 'look',
      words: freewheel ? 'hard on the electronics' : 'it would brake by itself',
      limit: ['weakening only below a full charge'],
      why: freewheel
        ? ['Above the pack’s volts current flows back through the controller, even when it is off.']
        : [
            'Without a freewheel the wheel keeps the motor turning: above the pack’s volts it brakes and charges, with no lever pulled, and a full pack may open its board.',
          ],
      remedy: [
        'Begin below a full charge, or set weakening to fade with the pack’s volts, where the controller can.',
      ],
      origin: 'common practice',
      inputs: [weakeningA],
    }),
  ];
}
