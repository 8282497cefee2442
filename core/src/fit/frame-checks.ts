import { firstOf } from '../quantity/first-of.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { asked, told, type Check } from '../check/check.ts';
import type { State } from '../check/state.ts';
import { drivesBoth } from '../document/motors.ts';
import { widthChecks } from './hub-width.ts';
import { STRONG_NM, axleTorqueNm, unsaidStrength } from './axle-torque.ts';
import { armsWanted, spread } from './torque-arms.ts';
import type { Subject } from './subject.ts';

type Place = 'axle' | 'mid' | 'clamped';
const placeOf = ({ hub, build }: Subject): Place => {
  if (hub !== undefined) return 'axle';
  return build.drive.kind === 'mid-drive' ? 'mid' : 'clamped';
};

/** What an aluminium frame asks for, by where the motor sits. Common practice, no source. */
const ALUMINIUM: Readonly<Record<Place, { readonly why: Phrase; readonly remedy: Phrase }>> = {
  axle: {
    why: ['Aluminium does not bend back: no cold-setting, no filing, torque arms on both sides.'],
    remedy: ['Measure slot and width closely and fit torque arms.'],
  },
  mid: {
    why: ['An aluminium shell bears a motor in the bracket; its threads strip where a ring is forced.'],
    remedy: ['Clean the threads, turn the ring on by hand first, then tighten it as the motor’s maker says.'],
  },
  clamped: {
    why: ['Clamps of the mount dent thin aluminium tubes, and chain pull turns them.'],
    remedy: [
      'Spread the pull over wide, padded clamps near a joint of the frame, and look for marks after 50 km.',
    ],
  },
};

function material(s: Subject): Check {
  const { frameMaterial, forkMaterial, forkKind } = s.build.donor;
  const front = s.hub === 'front';
  const torque = axleTorqueNm(s);
  const carbon = frameMaterial === 'carbon' || (front && forkMaterial === 'carbon');
  const soft = front && forkKind === 'suspension' && forkMaterial !== 'steel';
  const softFork = soft && torque > STRONG_NM;
  const here = front ? forkMaterial : frameMaterial;
  const aluminium = here === 'aluminium';
  const magnesium = here === 'magnesium' && s.hub !== undefined;
  const place = placeOf(s);
  const state: State = firstOf(
    [
      [carbon || softFork || magnesium, 'stop'],
      [here === 'magnesium', 'look'],
      // A motor in the bracket turns nothing in the dropouts, and its shell is made to bear torque.
      [aluminium && place !== 'mid', 'look'],
    ],
    'fine',
  );
  const words = firstOf(
    [
      [carbon, 'carbon'],
      [front, `${forkMaterial} ${forkKind === 'suspension' ? 'suspension ' : ''}fork`],
    ],
    frameMaterial,
  );
  return told({
    id: 'material',
    group: 'frame',
    title: front ? 'Fork that carries the motor' : 'Frame that carries the motor',
    state,
    words,
    limit: ['steel forgives; aluminium asks for more margin; carbon and a hub in magnesium stop'],
    why: firstOf(
      [
        [carbon, ['Carbon does not bear clamps, torque at the dropout or drilled holes.']],
        [
          magnesium,
          ['Cast magnesium dropouts crack under an axle’s torque without a warning, arms or none.'],
        ],
        [
          softFork,
          [
            'A soft alloy suspension fork with a front hub of ',
            qty(torque, 'N m', 0),
            ': the dropouts can break away.',
          ],
        ],
        [aluminium, ALUMINIUM[place].why],
        [here === 'magnesium', ['Cast magnesium cracks where it is clamped or bent.']],
      ],
      ['The material takes the clamps and the torque of this motor.'],
    ),
    remedy: firstOf(
      [
        [carbon, ['Take another donor.']],
        [softFork || magnesium, ['Put the motor in the rear wheel or the middle, or fit a steel fork.']],
        [aluminium, ALUMINIUM[place].remedy],
        [here === 'magnesium', ['Ask the maker of the frame; clamp nothing to it without his word.']],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    inputs: soft && !carbon && !magnesium ? unsaidStrength(s) : [],
    // What stops by itself stops whatever the rest is.
    asked:
      carbon || magnesium
        ? []
        : [
            asked('frame material', frameMaterial),
            ...(front ? [asked('fork material', forkMaterial), asked('kind of fork', forkKind)] : []),
          ],
  });
}

/** Frame, fork and what keeps the axle from turning. */
export function frameChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined) return [material(s)];
  const brakes = s.build.controller.regenerates !== 'no' && !s.build.drive.freewheel;
  return [
    material(s),
    armsWanted(s),
    spread(s, 'driving'),
    ...(brakes && s.build.controller.regenerates === 'yes' ? [spread(s, 'braking')] : []),
  ];
}

/** A second hub, in the other wheel: what carries it, its width and its arms; slot and plate there are looked at by hand. */
export function otherEndChecks(s: Subject): readonly Check[] {
  if (s.hub === undefined || !drivesBoth(s.build)) return [];
  const other: Subject = { ...s, hub: s.hub === 'front' ? 'rear' : 'front' };
  const { otherEnd } = s.build.drive;
  const seen = told({
    id: 'axle-slot',
    group: 'frame',
    title: 'Slot and plate of the other wheel',
    state: otherEnd === 'yes' ? 'fine' : 'stop',
    words: otherEnd === 'yes' ? 'measured and right' : 'do not suit',
    limit: ['the same limits as at the driven wheel'],
    why: ['The second motor turns in its dropouts as the first one does.'],
    remedy: ['Leave the second motor out, or have the dropouts made good.'],
    origin: 'common practice',
    inputs: [],
    asked: [asked('slot and plate of the other wheel', otherEnd)],
  });
  return [material(other), armsWanted(other), ...widthChecks(other), seen].map((check) => ({
    ...check,
    id: `other-${check.id}`,
    title: `${check.title}, ${other.hub === 'front' ? 'front' : 'rear'}`,
  }));
}
