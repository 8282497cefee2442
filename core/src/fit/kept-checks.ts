import { told, type Check } from '../check/check.ts';
import type { State } from '../check/state.ts';
import { drivenAsMade, stays, type KeptPart } from '../document/kept.ts';
import { firstOf } from '../quantity/first-of.ts';
import type { Subject } from './subject.ts';

interface Mixed {
  readonly state: State;
  readonly why: string;
  readonly remedy: string;
}

/** What is asked of parts that stay together with parts that come new. Common practice, no source. */
function mixed(keeps: ReadonlySet<KeptPart>): Mixed {
  const old = (part: KeptPart): boolean => keeps.has(part);
  return firstOf<Mixed>(
    [
      [
        old('controller') && !old('display'),
        {
          state: 'stop',
          why: 'A kept controller speaks the language of its own display, and seldom any other.',
          remedy: 'Keep the display with it, or change both.',
        },
      ],
      [
        old('pack') && !old('controller'),
        {
          state: 'look',
          why: 'Some packs give their volts only to their own controller, after it has asked.',
          remedy:
            'Read the volts at the pack’s plug with nothing on it: if there are none, it wants its own controller.',
        },
      ],
      [
        old('motor') !== old('controller'),
        {
          state: 'look',
          why: 'Motor and controller come from two hands: plugs, order of phases and sensors, and a sensor of speed or torque inside differ.',
          remedy:
            'Take the plug’s pins down first, and turn the wheel off the ground at a few watts before you ride.',
        },
      ],
      [
        old('levers') && !old('controller'),
        {
          state: 'look',
          why: 'Cut-off switches open or close, at two wires or three.',
          remedy: 'Measure with the lever pulled and let go, and set the controller for it.',
        },
      ],
      [
        (old('sensors') || old('throttle')) && !old('controller'),
        {
          state: 'look',
          why: 'A sensor or throttle gives the signal that its own controller reads: pulses, volts or a language of their own.',
          remedy: 'Find its pins and read its signal at rest and in action before it is joined.',
        },
      ],
      [
        old('charger') && !old('pack'),
        {
          state: 'look',
          why: 'A charger ends at the volts of its own pack, and at no other’s.',
          remedy: 'Read its end of charge without load, and type it under Power: the check there decides.',
        },
      ],
    ],
    {
      state: 'fine',
      why: 'What stays was made for each other.',
      remedy: 'Nothing to do.',
    },
  );
}

/** A donor that was electric already: what stays against what comes new. */
export function keptChecks({ build }: Subject): readonly Check[] {
  const { keeps } = build.donor;
  if (keeps.length === 0) return [];
  const { state, why, remedy } = mixed(new Set(keeps));
  const unasked = firstOf(
    [
      [
        drivenAsMade(build),
        ' Motor and controller stay as their maker put them: neither whether they go in is asked, nor what bears their torque.',
      ],
      [stays(build, 'motor'), ' The motor stays where its maker put it: whether it goes in is not asked.'],
    ],
    '',
  );
  return [
    told({
      id: 'kept-parts',
      group: 'controls',
      title: 'What stays of the electric machine',
      state,
      words: keeps.join(', '),
      limit: ['made for each other, or pins and signals known'],
      why: [why, unasked],
      remedy: [remedy],
      origin: 'common practice',
      inputs: [],
    }),
  ];
}

/** Several sets of cranks are tied together by a timing chain: the motor should not pull through it. */
export function timingChain({ build }: Subject): readonly Check[] {
  if (build.drive.kind !== 'mid-drive' || build.donor.crankSets === 1) return [];
  return [
    told({
      id: 'timing-chain',
      group: 'bracket',
      title: 'Cranks that are tied together',
      state: 'look',
      words: `${String(build.donor.crankSets)} sets of cranks`,
      limit: ['the motor on the set that the wheel’s chain leaves from'],
      why: [
        'At another set its whole pull goes through the timing chain and the eccentric, made for legs alone.',
      ],
      remedy: ['Put it on the rear set; its ring must leave room for the timing chain.'],
      origin: 'common practice',
      inputs: [],
    }),
  ];
}
