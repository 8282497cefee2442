import { counted } from '../quantity/format.ts';
import { firstOf } from '../quantity/first-of.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { State } from '../check/state.ts';
import type { Known } from '../document/known-build.ts';
import { drivesBoth } from '../document/motors.ts';
import { couldTurn } from '../machine/span.ts';
import { widthChecks } from './hub-width.ts';
import { askedMaterial, driven } from './driven-end.ts';
import type { Subject } from './subject.ts';

/** Wheel torque above which a hub counts as strong, N m. Common practice, no source. */
const STRONG_NM = 40;

/** Torque that a plain steel dropout holds at an axle's flats without an arm, N m. From memory. */
const STEEL_LIPS_NM = 25;

/** Most torque between one axle and its dropouts, driving, N m: all the phase current at standstill. */
export function axleTorqueNm({ machine }: Subject): number {
  const { motor, limits, gears, wheelRadius, efficiency } = machine;
  const turns = (gears[0]?.motorRatio ?? 0) * wheelRadius;
  return (Math.max(0, motor.kt * limits.phaseA - motor.hysteresisNm) * turns * efficiency) / machine.motors;
}

/** The same when the motor brakes: core drag adds, and gears lose the other way round. */
function brakingTorqueNm({ machine }: Subject): number {
  const { motor, limits, gears, wheelRadius, efficiency } = machine;
  const turns = (gears[0]?.motorRatio ?? 0) * wheelRadius;
  return ((motor.kt * limits.phaseA + motor.hysteresisNm) * turns) / efficiency / machine.motors;
}

/** What nobody has read and what decides whether that is a strong motor: torque goes with the amps, and with one over Kv. */
function unsaidStrength(s: Subject): readonly Known[] {
  const { controller, drive } = s.known;
  const torque = axleTorqueNm(s);
  const strong = (times: number): boolean => torque * times > STRONG_NM;
  return [
    ...couldTurn(controller.phaseCurrentA, (amps) => strong(amps / controller.phaseCurrentA.value)),
    ...couldTurn(drive.kvRpmPerV, (kv) => strong(drive.kvRpmPerV.value / kv)),
    ...couldTurn(drive.reduction, (turns) => strong(turns / drive.reduction.value)),
  ];
}

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
    asked: [
      asked('frame material', frameMaterial),
      ...(front ? [asked('fork material', forkMaterial), asked('kind of fork', forkKind)] : []),
    ],
  });
}

/** What the number of arms is decided by; each may be unknown, and then both of its answers count. */
interface ArmsCase {
  readonly alloy: boolean;
  readonly regen: boolean;
  readonly strong: boolean;
}

const armsFor = ({ alloy, regen, strong }: ArmsCase, front: boolean): 0 | 1 | 2 => {
  if (strong && (alloy || regen)) return 2;
  return alloy || regen || front || strong ? 1 : 0;
};

const BOTH = [false, true] as const;

/** Every case that what is unknown leaves open. */
function armsCases(s: Subject): readonly ArmsCase[] {
  const { drive, controller } = s.build;
  const material = driven(s);
  const turns = !drive.freewheel;
  const open = (unknown: boolean, known: boolean): readonly boolean[] => (unknown ? BOTH : [known]);
  return open(material === 'unknown', material !== 'steel').flatMap((alloy) =>
    open(turns && controller.regenerates === 'unknown', turns && controller.regenerates === 'yes').flatMap(
      (regen) =>
        open(unsaidStrength(s).length > 0, axleTorqueNm(s) > STRONG_NM).map((strong) => ({
          alloy,
          regen,
          strong,
        })),
    ),
  );
}

/** Arms are asked for by the least that any case wants, and are enough only where they are so in every one. */
function armsWanted(s: Subject): Check {
  const { drive, controller } = s.build;
  const front = s.hub === 'front';
  const cases = armsCases(s);
  const wanted = cases.map((one) => armsFor(one, front));
  const [least, most] = [Math.min(...wanted), Math.max(...wanted)];
  // Too few in every case, or enough in every case: then nothing that is unknown matters.
  const settled = drive.torqueArms < least || drive.torqueArms >= most;
  const needed = drive.torqueArms >= most ? most : least;
  const sure = (holds: (one: ArmsCase) => boolean): boolean => cases.every(holds);
  const reasons = [
    ...(front ? ['front hub'] : []),
    ...(sure((one) => one.alloy) ? ['dropouts not of steel'] : []),
    ...(sure((one) => one.regen) ? ['regeneration turns the torque round'] : []),
    ...(sure((one) => one.strong) ? [`more than ${String(STRONG_NM)} N m`] : []),
  ];
  return measured({
    id: 'torque-arms',
    group: 'frame',
    title: 'Torque arms fitted',
    value: drive.torqueArms,
    unit: '1',
    sense: 'least',
    fine: needed,
    look: needed === 2 ? 1 : needed,
    limit: [
      settled || least === most
        ? `at least ${String(needed)}`
        : `at least ${String(least)} or ${String(most)}`,
    ],
    why:
      reasons.length === 0
        ? ['A mild rear hub in steel dropouts holds by its nuts and tabbed washers.']
        : [`Wanted for: ${reasons.join(', ')}.`],
    remedy: [
      needed > 1
        ? 'Fit arms that bear on the flats without play, one on each side.'
        : 'Fit an arm that bears on the flats without play.',
    ],
    origin: 'common practice',
    inputs: settled ? [] : unsaidStrength(s),
    asked: settled
      ? []
      : [
          askedMaterial(s),
          ...(drive.freewheel ? [] : [asked('whether it regenerates', controller.regenerates)]),
        ],
  });
}

/** Force that the axle's flats put on the dropout lips, N: torque over the width across the flats. Derived. */
export const spreadingForceN = (torqueNm: number, flatsMm: number): number => torqueNm / (flatsMm / 1000);

/** What an arm holds: as entered, or where nobody has read it and another usual arm would answer otherwise. */
const armInput = (arm: Known, holds: (armNm: number) => boolean): readonly Known[] =>
  arm.source === 'unknown' ? couldTurn(arm, holds) : [arm];

function spread(s: Subject, direction: 'driving' | 'braking'): Check {
  const { drive, controller } = s.known;
  const steel = (s.hub === 'front' ? s.build.donor.forkMaterial : s.build.donor.frameMaterial) === 'steel';
  const torque = direction === 'driving' ? axleTorqueNm(s) : brakingTorqueNm(s);
  const { torqueArms } = s.build.drive;
  const held = (armNm: number): number => torqueArms * armNm + (steel ? STEEL_LIPS_NM : 0);
  const holds = held(drive.armHoldsNm.value);
  const flats = drive.flatsMm.value;
  return measured({
    id: `spread-${direction}`,
    group: 'frame',
    title: direction === 'driving' ? 'Dropout spreading, driving' : 'Dropout spreading, regenerating',
    value: spreadingForceN(torque, flats),
    unit: 'N',
    sense: 'most',
    fine: spreadingForceN(holds, flats),
    look: spreadingForceN(holds, flats) * 1.25,
    limit: ['at most ', qty(spreadingForceN(holds, flats), 'N', 0), ', what lips and arms hold'],
    why: [
      qty(torque, 'N m', 0),
      ' on flats ',
      qty(flats, 'mm', 1),
      ' apart push the lips open; ',
      torqueArms === 0 ? 'no arm' : counted(torqueArms, 'arm'),
      steel ? ' and steel lips' : '',
      ' hold ',
      qty(holds, 'N m', 0),
      '.',
    ],
    remedy: ['Fit a further torque arm, or lower the phase current.'],
    origin: 'derived',
    source: 'torque over the width across the flats; what an arm holds is from memory unless entered',
    limitFrom: [drive.flatsMm],
    inputs: [
      drive.flatsMm,
      controller.phaseCurrentA,
      drive.kvRpmPerV,
      drive.reduction,
      ...(torqueArms > 0 ? armInput(drive.armHoldsNm, (armNm) => torque <= held(armNm)) : []),
    ],
    asked: [askedMaterial(s)],
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
