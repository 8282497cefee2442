import { counted } from '../quantity/format.ts';
import { firstOf } from '../quantity/first-of.ts';
import type { BrakeKind } from '../document/choices.ts';
import type { Known } from '../document/known-build.ts';
import { qty } from '../quantity/phrase.ts';
import { kmhToMs, msToKmh } from '../quantity/units.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import { brakesLeft, hasPairToAsk, independentBrakes, type BrakesLeft } from '../document/brakes-left.ts';
import type { Machine } from '../machine/machine.ts';
import { backPedalChecks } from './back-pedal-checks.ts';
import { towed, type Subject } from './subject.ts';

const GRAVITY = 9.80665;
/** What a bicycle's brakes are made for unless the maker says more: 100 kg at 25 km/h. Common practice. */
const DESIGN_KG = 100;
const DESIGN_KMH = 25;

/**
 * ISO 4210-2, dry, both brakes: from 25 km/h within 7 m (from memory). Steady braking to rest in s from v
 * is v^2 / (2 s).
 */
export const ISO_4210_DRY_MS2 = kmhToMs(25) ** 2 / (2 * 7);

/** Braking that a class of brake gives at the design mass, m/s^2, each wheel's share counted. From memory. */
const BRAKE_MS2: Readonly<Record<BrakeKind, number>> = {
  'hydraulic-disc': 2.9,
  'cable-disc': 2.4,
  rim: 2.1,
  drum: 1.7,
  coaster: 1.3,
  none: 0,
  unknown: 0,
};

const designKg = ({ known: { donor } }: Subject): number =>
  donor.permittedKg.source === 'unknown' ? DESIGN_KG : donor.permittedKg.value;

/** Kinetic energy at a speed against the design case's. */
export const energyRatio = (massKg: number, ms: number, designMassKg: number): number =>
  (massKg * ms * ms) / (designMassKg * kmhToMs(DESIGN_KMH) ** 2);

export interface Braking {
  /** What brakes, grip and the front wheel's tipping leave, m/s^2. */
  readonly ms2: number;
  readonly metres: number;
  readonly decides: 'brakes' | 'grip' | 'tipping';
}

/** How many brakes an end has: two where its wheels stand side by side and have one each. With three wheels it is the braked end. */
function brakesAnEnd({ build }: Subject, left: BrakesLeft): number {
  const { wheelCount, pairBrakes } = build.donor;
  return pairBrakes === 'each' && (wheelCount === 4 || hasPairToAsk(build, left)) ? 2 : 1;
}

/**
 * What the tyres of the braked wheels hold back, m/s^2; braking itself loads the front. Derived: mu g with all of them, by statics
 * mu g (b/L) / (1 - mu h/L) of the front alone and mu g (1 - b/L) / (1 + mu h/L) behind.
 */
function gripOf({ grip, wheelbase, massAhead, massHeight }: Machine['balance'], left: BrakesLeft): number {
  if (left.front !== 'none' && left.rear !== 'none') return grip * GRAVITY;
  const [share, lever] = [massAhead / wheelbase, (grip * massHeight) / wheelbase];
  if (left.front === 'none') return (grip * GRAVITY * (1 - share)) / (1 + lever);
  // A front that is loaded faster than it is braked tips before it slides.
  return lever < 1 ? (grip * GRAVITY * share) / (1 - lever) : Infinity;
}

/** Stopping on the level in the dry from a speed, without the time to react. Derived. */
export function braking(s: Subject, ms: number): Braking {
  const left = brakesLeft(s.build, s.known);
  const { balance, road } = s.machine;
  // Hand force stays what it is: beyond the design mass the same brake slows less.
  const share = Math.min(1, designKg(s) / road.massKg);
  const brakes = (BRAKE_MS2[left.front] + BRAKE_MS2[left.rear]) * brakesAnEnd(s, left) * share;
  const grip = gripOf(balance, left);
  const tipping = (GRAVITY * (balance.wheelbase - balance.massAhead)) / balance.massHeight;
  const ms2 = Math.max(0.1, Math.min(brakes, grip, Math.max(0.1, tipping)));
  const decides = firstOf(
    [
      [ms2 >= brakes, 'brakes'],
      [ms2 >= grip, 'grip'],
    ],
    'tipping',
  );
  return { ms2, metres: (ms * ms) / (2 * ms2), decides };
}

const kinds = ({ build: { donor } }: Subject) => [
  asked('front brake', donor.brakeFront),
  asked('rear brake', donor.brakeRear),
];

/** Whether one end has two of them, where nothing else brakes. */
const pairAsked = ({ build }: Subject, left: BrakesLeft) =>
  hasPairToAsk(build, left) ? [asked('brakes of the wheels side by side', build.donor.pairBrakes)] : [];

/** Everything that has to be brought to rest: a trailer brakes with the machine's brakes. */
const movingMasses = (s: Subject) => [
  s.known.donor.massKg,
  s.known.brief.riderMassKg,
  s.known.brief.loadMassKg,
  ...towed(s),
];

/** Up to so much of the design case’s energy a brake bears it. Common practice. */
const FINE_RATIO = 1.5;

/**
 * The most telling of what nobody has read, where all of it at its fast end would make it too fast: its limit, its wheel, its winding.
 * @param bears whether the brakes are still fine at a top speed, m/s
 */
const unsaidSpeed = ({ topMs, faster }: Subject, bears: (ms: number) => boolean): readonly Known[] =>
  faster.unknown.length === 0 || !bears(topMs) || bears(faster.topMs) ? [] : faster.unknown.slice(0, 1);

function energy(s: Subject): Check {
  const ratioAt = (ms: number): number => energyRatio(s.machine.road.massKg, ms, designKg(s));
  const ratio = ratioAt(s.topMs);
  return measured({
    id: 'brake-energy',
    group: 'brakes',
    title: 'Brake energy against the donor’s own',
    value: ratio,
    unit: '1',
    sense: 'most',
    fine: FINE_RATIO,
    look: 2.5,
    limit: ['at most 1.5, stop beyond 2.5'],
    why: [
      qty(s.machine.road.massKg, 'kg', 0),
      ' at ',
      qty(msToKmh(s.topMs), 'km/h', 0),
      ' against ',
      qty(designKg(s), 'kg', 0),
      ' at ',
      qty(DESIGN_KMH, 'km/h', 0),
      ', which the brakes were made for.',
    ],
    remedy: ['Fit larger discs and hydraulic calipers, or limit speed or load.'],
    origin: 'common practice',
    source: 'half m v squared, derived; the limits are common practice',
    inputs: [...movingMasses(s), ...unsaidSpeed(s, (ms) => ratioAt(ms) <= FINE_RATIO)],
  });
}

function distance(s: Subject): Check {
  const here = braking(s, s.topMs);
  const limit = s.topMs ** 2 / (2 * ISO_4210_DRY_MS2);
  return measured({
    id: 'stopping',
    group: 'brakes',
    title: 'Stopping from top speed, dry',
    value: here.metres,
    unit: 'm',
    sense: 'most',
    fine: limit,
    look: limit * 1.4,
    limit: ['at most ', qty(limit, 'm', 1)],
    why: [
      'From ',
      qty(msToKmh(s.topMs), 'km/h', 0),
      {
        brakes: ' the brakes decide.',
        grip: ' the grip of the tyres decides.',
        tipping: ' the rear wheel lifting decides.',
      }[here.decides],
      ' Time to react comes on top.',
    ],
    remedy: ['Fit better brakes, lower the top speed, or carry less.'],
    origin: 'standard',
    source:
      'ISO 4210-2: 7 m from 25 km/h, both brakes, dry (from memory), at the same slowing; classes of brake from memory',
    inputs: movingMasses(s),
    asked: [...kinds(s), ...pairAsked(s, brakesLeft(s.build, s.known))],
  });
}

/** Rim brakes above this are not enough, km/h. Common practice, and a limit in several places. */
const RIM_KMH = 32;

const BRAKE_WORD: Partial<Record<BrakeKind, string>> = { coaster: 'back-pedal brake', drum: 'drum brake' };

/** The brake that goes out with a hub, by its end; undefined where none does. */
function lostWords({ build, known }: Subject): string | undefined {
  const { lost } = brakesLeft(build, known);
  if (lost.length === 0) return undefined;
  const named = lost.map((end) => {
    const brake = BRAKE_WORD[end === 'front' ? build.donor.brakeFront : build.donor.brakeRear];
    return `the ${end} ${brake ?? 'brake'}`;
  });
  return `With the hub that a motor takes the place of goes ${named.join(', and ')}: that end has none then.`;
}

function kind(s: Subject): Check {
  const left = brakesLeft(s.build, s.known);
  const { front, rear } = left;
  const pair = hasPairToAsk(s.build, left);
  const { pairBrakes } = s.build.donor;
  // As the pair is, or as it is once it is known to have a brake each.
  const alone = pair ? pairBrakes === 'one' : independentBrakes(s.build, s.known) === 'no';
  const count = [front, rear].filter((b) => b !== 'none').length;
  const fast = msToKmh(s.topMs) > RIM_KMH;
  const hasRim = front === 'rim' || rear === 'rim';
  const rim = fast && hasRim;
  const lost = lostWords(s);
  const unsaid = hasRim && !alone ? unsaidSpeed(s, (ms) => msToKmh(ms) <= RIM_KMH) : [];
  return told({
    id: 'brake-kind',
    group: 'brakes',
    title: 'Brakes, one for each end',
    state: alone || rim ? 'stop' : 'fine',
    words: firstOf(
      [
        [alone, counted(count, 'brake')],
        [rim, 'rim brake'],
      ],
      'two brakes',
    ),
    limit: ['two, and no rim brake above ', qty(RIM_KMH, 'km/h', 0)],
    why: firstOf(
      [
        [lost !== undefined && !pair, [`${lost ?? ''} Most places ask for two independent brakes.`]],
        [alone, ['Most places ask for two independent brakes.']],
        [rim, ['Rims heat and wear; in the wet they bite late.']],
        [
          pair && pairBrakes === 'each',
          [
            'The wheels side by side have a brake and a lever each; many places ask how it is held when parked.',
          ],
        ],
        [
          pair,
          [
            `${lost === undefined ? '' : `${lost} `}One end alone has a brake: two of them, where the wheels side by side have a brake and a lever each.`,
          ],
        ],
      ],
      ['Each end has its own brake.'],
    ),
    remedy: firstOf(
      [
        [
          lost !== undefined,
          ['Fit a rim or disc brake there, with its lever, and enter it in place of the old one.'],
        ],
        [alone, ['Fit the missing brake first.']],
        [rim, ['Fit discs, or limit the speed.']],
      ],
      ['Nothing to do.'],
    ),
    origin: 'common practice',
    inputs: unsaid,
    // A brake that is not there, and a rim at a speed that is known, stop whatever the other end has.
    asked: alone || (rim && unsaid.length === 0) ? [] : [...kinds(s), ...pairAsked(s, left)],
  });
}

/** Brakes. */
export const brakeChecks = (s: Subject): readonly Check[] => [
  energy(s),
  distance(s),
  kind(s),
  ...backPedalChecks(s),
];
