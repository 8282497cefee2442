import { counted } from '../quantity/format.ts';
import { qty } from '../quantity/phrase.ts';
import { asked, measured, type Bounded, type Check } from '../check/check.ts';
import type { Known } from '../document/known-build.ts';
import { couldTurn } from '../machine/span.ts';
import { STRONG_NM, axleTorqueNm, brakingTorqueNm, unsaidStrength } from './axle-torque.ts';
import { askedIfSteelTurns, askedMaterial, driven } from './driven-end.ts';
import type { Subject } from './subject.ts';

/** Torque that a plain steel dropout holds at an axle's flats without an arm, N m. From memory. */
const STEEL_LIPS_NM = 25;

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
export function armsWanted(s: Subject): Check {
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

export function spread(s: Subject, direction: 'driving' | 'braking'): Check {
  const { drive, controller } = s.known;
  const steel = driven(s) === 'steel';
  const torque = direction === 'driving' ? axleTorqueNm(s) : brakingTorqueNm(s);
  const { torqueArms } = s.build.drive;
  const heldBy = (isSteel: boolean, armNm: number): number =>
    torqueArms * armNm + (isSteel ? STEEL_LIPS_NM : 0);
  const held = (armNm: number): number => heldBy(steel, armNm);
  const holds = held(drive.armHoldsNm.value);
  const flats = drive.flatsMm.value;
  const judged = (isSteel: boolean): Bounded => {
    const fine = spreadingForceN(heldBy(isSteel, drive.armHoldsNm.value), flats);
    return { value: spreadingForceN(torque, flats), sense: 'most', fine, look: fine * 1.25 };
  };
  const inputs = [
    drive.flatsMm,
    controller.phaseCurrentA,
    drive.kvRpmPerV,
    drive.reduction,
    ...(torqueArms > 0 ? armInput(drive.armHoldsNm, (armNm) => torque <= held(armNm)) : []),
  ];
  return measured({
    id: `spread-${direction}`,
    group: 'frame',
    title: direction === 'driving' ? 'Dropout spreading, driving' : 'Dropout spreading, regenerating',
    unit: 'N',
    ...judged(steel),
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
    inputs,
    asked: askedIfSteelTurns(s, inputs, judged),
  });
}
