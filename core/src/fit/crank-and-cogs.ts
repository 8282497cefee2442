import type { CrankKind } from '../document/choices.ts';
import type { State } from '../check/state.ts';
import { asked, told, type Check } from '../check/check.ts';
import type { Subject } from './subject.ts';

/** How cranks of a kind come off, and what that means for a motor through the shell. Common practice, no source. */
const CRANKS: Readonly<
  Record<CrankKind, { readonly state: State; readonly tool: string; readonly why: string }>
> = {
  square: {
    state: 'fine',
    tool: 'extractor, M22 x 1',
    why: 'Cranks on a square taper come off with an extractor; the motor brings cranks of its own.',
  },
  splined: {
    state: 'fine',
    tool: 'extractor with a wide foot, M22 x 1',
    why: 'A hollow splined axle wants the wide foot of the extractor, or it is pushed into the axle.',
  },
  'two-piece': {
    state: 'fine',
    tool: 'hexagon keys of 5 and 8 mm, cap tool, cup spanner',
    why: 'The axle comes out with the right crank, and the cups outside the shell come off.',
  },
  cottered: {
    state: 'look',
    tool: 'press for the cotters, spanner for the cups',
    why: 'Cotters are pressed out, not struck: blows mark the bearing that they go through. Cups may be of an old thread.',
  },
  'one-piece': {
    state: 'stop',
    tool: 'spanner of 28 mm, left-hand thread',
    why: 'The shell of a one-piece crank is 51.3 mm wide inside and has no thread: the motor’s tube stands in nothing.',
  },
  unknown: { state: 'look', tool: '', why: '' },
};

/** How the cranks come off. */
export function crankTool({ build }: Subject): Check {
  const { state, tool, why } = CRANKS[build.donor.cranks];
  return told({
    id: 'crank-tool',
    group: 'bracket',
    title: 'How cranks and bracket come out',
    state,
    words: tool,
    limit: ['cranks and bracket have to come out'],
    why: [why, ' The left pedal and the right cup have left-hand threads.'],
    remedy:
      build.donor.cranks === 'one-piece'
        ? ['Fit an adapter with a 1.37 in thread or a sleeve made for it, or take a hub motor.']
        : ['Soak them overnight; have a stuck cotter or cup pressed out before you order the motor.'],
    origin: 'common practice',
    source: 'thread M22 x 1 of extractors; shell 51.3 mm of one-piece cranks',
    inputs: [],
    asked: [asked('how the cranks sit', build.donor.cranks)],
  });
}

const BODY_WORDS = { cassette: 'splined cassette', freewheel: 'screwed freewheel', unknown: '' } as const;

/** Whether the cogs of the donor go on the motor. */
export function cogBodyCheck({ build, hub }: Subject): readonly Check[] {
  if (hub !== 'rear') return [];
  const [own, motor] = [build.donor.cogBody, build.drive.cogBody];
  const same = own === motor;
  return [
    told({
      id: 'cog-body',
      group: 'wheel',
      title: 'Cogs of the donor on the motor',
      state: same ? 'fine' : 'look',
      words: `${BODY_WORDS[own]} on ${BODY_WORDS[motor]}`,
      limit: ['of one kind'],
      why: same
        ? ['The cogs move over from the old wheel.']
        : [
            motor === 'freewheel'
              ? 'The motor takes a screwed freewheel: a cassette does not go on it, and those of nine speeds and more are rare.'
              : 'The motor takes a cassette: a screwed freewheel does not go on it.',
          ],
      remedy: [
        `Get a ${BODY_WORDS[motor]} of as many speeds as the shifter has; its teeth decide the gears of this page.`,
      ],
      origin: 'common practice',
      inputs: [],
      asked: [asked('what the cogs sit on', own), asked('what the motor takes its cogs on', motor)],
    }),
  ];
}
