import { massesOf } from '../document/kept.ts';
import { standingKg, type Balance } from '../machine/machine.ts';
import { couldTurn } from '../machine/span.ts';
import { orNull } from '../quantity/or-null.ts';
import { qty } from '../quantity/phrase.ts';
import { gripGradePct, liftGradePct } from '../ride/start-grade.ts';
import { measured, type Check } from '../check/check.ts';
import { towed, type Subject } from './subject.ts';

/** Grades at which the machine tips or slips, %. */
export interface GripGrades {
  readonly liftPct: number;
  /** Null where the driven tyre never slips. */
  readonly dryPct: number | null;
  readonly wetPct: number | null;
}

/** Grade at which the front lifts, and at which the driven wheel slips dry and wet, %. Statics. */
export function gripGrades({ machine, known }: Subject): GripGrades {
  return {
    liftPct: liftGradePct(machine.balance),
    dryPct: orNull(gripGradePct(machine.balance)),
    wetPct: orNull(gripGradePct({ ...machine.balance, grip: known.donor.tyreGripWet.value })),
  };
}

function permitted(s: Subject): Check {
  const { build, known } = s;
  const { donor, brief } = known;
  const total = standingKg(s.machine);
  return measured({
    id: 'permitted-mass',
    group: 'load',
    title: 'Mass, all in',
    value: total,
    unit: 'kg',
    sense: 'most',
    fine: donor.permittedKg.value,
    look: donor.permittedKg.value,
    limit: ['at most ', qty(donor.permittedKg.value, 'kg', 0), ', the maker’s permitted mass'],
    why: ['Frame, wheels and brakes are made for so much and no more.'],
    remedy: ['Carry less, take a lighter pack or motor, or another donor.'],
    origin: 'common practice',
    source: 'the maker’s label',
    limitFrom: [donor.permittedKg],
    inputs: [donor.permittedKg, ...massesOf(build, known), brief.riderMassKg, brief.loadMassKg],
  });
}

const balanceInputs = ({ known: { donor } }: Subject) => [
  donor.wheelbaseMm,
  donor.massAheadMm,
  donor.massHeightMm,
];

function lift(s: Subject): Check {
  const hill = s.known.brief.hillGradePct.value;
  return measured({
    id: 'front-lift',
    group: 'load',
    title: 'Front wheel lifts at a grade of',
    value: gripGrades(s).liftPct,
    unit: '%',
    sense: 'least',
    fine: hill + 10,
    look: hill,
    limit: ['at least ', qty(hill + 10, '%', 0), ', the test hill and ten more'],
    why: ['Steering goes light long before the wheel lifts.'],
    remedy: ['Move pack and load forward and down; start gently.'],
    origin: 'derived',
    source: 'moments about the rear contact, statics; the ten are common practice',
    inputs: [...balanceInputs(s), s.known.brief.hillGradePct],
  });
}

/** Weight on the rear wheel at rest, of all that stands on both, %: fine from so much on. Common practice, no source. */
const REAR_PCT = 15;

/** Asked only where there is little: a mass beyond the front wheel does not stand, whatever its grip. */
function rests(s: Subject): readonly Check[] {
  const { massAhead, wheelbase } = s.machine.balance;
  const value = 100 * (1 - massAhead / wheelbase);
  if (value >= REAR_PCT) return [];
  return [
    measured({
      id: 'rear-rests',
      group: 'load',
      title: 'Weight on the rear wheel',
      value,
      unit: '%',
      sense: 'least',
      fine: REAR_PCT,
      look: Number.MIN_VALUE,
      limit: ['at least ', qty(REAR_PCT, '%', 0), '; with none it tips over its front wheel'],
      why: ['The front brake pitches it forward, and a driven or braked rear wheel slips.'],
      remedy: ['Move pack and load back, or look at where they were said to be.'],
      origin: 'common practice',
      source: 'share by moments about the front contact, statics',
      inputs: balanceInputs(s).slice(0, 2),
    }),
  ];
}

const DRIVEN_WORDS: Readonly<Record<Balance['drivenWheel'], string>> = {
  front: 'A front drive loses load as the hill steepens.',
  rear: 'A rear drive gains load as the hill steepens.',
  both: 'Of two driven wheels the lighter one slips first; the other then pulls on alone.',
};
const SLIP_REMEDIES: Readonly<Record<Balance['drivenWheel'], string>> = {
  front: 'Move the pack forward, or drive the rear wheel.',
  rear: 'Move the pack back, or take a tyre with more grip.',
  both: 'Move the pack between the wheels, or give the front motor less.',
};

function slip(s: Subject, wet: boolean): Check {
  const hill = s.known.brief.hillGradePct.value;
  const grip = wet ? s.known.donor.tyreGripWet : s.known.donor.tyreGrip;
  // With grip enough the driven tyre never slips; a grade nobody rides stands for it.
  const slipsAt = (of: number): number => Math.min(gripGradePct({ ...s.machine.balance, grip: of }), 100);
  const value = slipsAt(grip.value);
  const fine = wet ? hill : hill + 3;
  return measured({
    id: wet ? 'slip-wet' : 'slip-dry',
    group: 'load',
    title: wet ? 'Driven wheel slips, wet, at' : 'Driven wheel slips, dry, at',
    value,
    unit: '%',
    sense: 'least',
    fine,
    // A wet climb is walked; a dry one that slips does not climb.
    look: wet ? 0 : hill,
    limit: ['at least ', qty(fine, '%', 0), wet ? ', the test hill' : ', the test hill and three more'],
    why: [DRIVEN_WORDS[s.machine.balance.drivenWheel]],
    remedy: [SLIP_REMEDIES[s.machine.balance.drivenWheel]],
    origin: 'derived',
    source: 'statics; grip from memory unless entered',
    inputs: [
      ...balanceInputs(s),
      ...towed(s),
      s.known.brief.hillGradePct,
      ...couldTurn(grip, (of) => slipsAt(of) >= fine),
    ],
  });
}

/** Load and balance. */
export const loadChecks = (s: Subject): readonly Check[] => [
  permitted(s),
  lift(s),
  ...rests(s),
  slip(s, false),
  slip(s, true),
];
