import type { State } from '../check/state.ts';
import type { DonorStyle, DriveKind } from '../document/choices.ts';
import { motorAt } from '../document/frame-of.ts';
import { towedBy } from '../machine/assemble.ts';
import type { PlaceOutcome, PlaceVerdict } from '../law/judge.ts';
import type { Duty } from '../law/rule-schema.ts';
import { chargePlan } from '../power-chain/charge-plan.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { msToKmh } from '../quantity/units.ts';
import { classLabel } from './class-label.ts';
import { givesOut } from './hill-outcome.ts';
import type { Verdict } from './evaluate.ts';
import { counts } from '../workshop/parts-list/purchase-list.ts';
import { spanText } from './figures/tally-figures.ts';
import { motorDecided } from '../document/motor-decided.ts';
import { drivesBoth, motorCount } from '../document/motors.ts';
import { firstOf } from '../quantity/first-of.ts';
import { counted } from '../quantity/format.ts';

/** One answer of the customer's page. */
export interface Told {
  readonly state: State;
  /** In large type. */
  readonly head: Phrase;
  readonly more: Phrase;
}

/** What a customer is told of a machine, without a word of the trade. */
export interface CustomerPage {
  readonly what: Phrase;
  readonly climbs: Told;
  readonly far: Told;
  readonly fast: Told;
  /** The text that decides its class; undefined where the book has none for the place. */
  readonly instrument: string | undefined;
  /** Lines of the label of its class; undefined where it may bear none. */
  readonly label: readonly string[] | undefined;
  /** Duties that the place asks, or may ask. */
  readonly duties: readonly { readonly title: string; readonly asked: 'yes' | 'varies' }[];
  readonly price: {
    /** Of the whole list, tools apart; a span where prices are guessed by the shelf. */
    readonly text: string;
    /** Lines that have no price yet, and of those the main things by name. */
    readonly unpriced: number;
    readonly main: readonly string[];
  };
  /** What it needs of whoever rides it. */
  readonly asks: readonly Phrase[];
  readonly cautions: readonly string[];
}

const STYLE_WORDS: Readonly<Record<DonorStyle, string>> = {
  diamond: 'diamond-frame bicycle',
  'step-through': 'step-through bicycle',
  'small-wheel': 'small-wheel bicycle',
  folding: 'folding bicycle',
  fat: 'fat-tyre bicycle',
  'full-suspension': 'full-suspension bicycle',
  recumbent: 'recumbent',
  tandem: 'tandem',
  longtail: 'longtail bicycle',
  trike: 'tricycle',
  carriage: 'four-wheel carriage',
};

const MOTOR_WORDS: Readonly<Record<DriveKind, string>> = {
  'geared-hub': 'hub motor',
  'direct-drive-hub': 'hub motor',
  'mid-drive': 'motor at the cranks',
  external: 'motor beside the frame',
};
const WHERE = { front: ' in front', rear: ' behind', middle: '' } as const;

function what({ study, known, power, figures }: Verdict): Phrase {
  const { build } = study;
  const rated = known.drive.ratedPowerW;
  const wh = power.packs.reduce((sum, p) => sum + p.energyWh, 0);
  const mass = figures.find((f) => f.id === 'mass')?.value;
  const watts = rated.source === 'unknown' ? '' : `${String(Math.round(rated.value))} W `;
  const kind = MOTOR_WORDS[build.drive.kind];
  const motor = firstOf(
    [
      [!motorDecided(study), 'a motor that is not chosen yet'],
      [motorCount(build) === 1, `a ${watts}${kind}${WHERE[motorAt(build)]}`],
      [drivesBoth(build), `two ${watts}${kind}s, one in each wheel`],
    ],
    `two ${watts}${kind.replace('motor', 'motors')}`,
  );
  return [
    `A ${STYLE_WORDS[build.donor.style]} with `,
    motor,
    ` and ${build.packs.length === 1 ? 'a battery' : `${String(build.packs.length)} batteries`} of `,
    qty(power.nominalV, 'V', 0),
    build.packs.length === 1 ? ' and ' : ', ',
    qty(wh, 'Wh', 0),
    ...(build.packs.length === 1 ? [] : [' together']),
    ...(mass === undefined ? [] : ['; it weighs ', qty(mass, 'kg', 0), ' ready to ride, without rider']),
    '.',
  ];
}

const stateOf = ({ figures }: Verdict, id: string): State =>
  figures.find((f) => f.id === id)?.state ?? 'unknown';

function climbs(verdict: Verdict): Told {
  const { hill, known } = verdict;
  const { hillName } = verdict.study.build.brief;
  const grade = qty(known.brief.hillGradePct.value, '%', 0);
  const towed = towedBy(verdict.study.build, known).kg;
  const named = hillName.trim() === '' ? 'A hill' : hillName.trim();
  const road: Phrase = [
    named,
    ': ',
    grade,
    ' for ',
    qty(known.brief.hillLengthM.value, 'm', 0),
    ', with ',
    qty(known.brief.riderMassKg.value + known.brief.loadMassKg.value, 'kg', 0),
    ' of rider and load',
    ...(towed === 0 ? [] : [' and a trailer of ', qty(towed, 'kg', 0)]),
  ];
  const { turns } = verdict.study;
  const assumed = turns.hill !== undefined;
  const rests: Phrase =
    assumed || turns.start !== undefined
      ? [' By what is assumed: something of motor and controller decides that nobody has read yet.']
      : [];
  if (!hill.climb.climbs)
    return {
      state: stateOf(verdict, 'hill'),
      head: ['does not climb it'],
      more: [...road, '.', ...rests],
    };
  const ends = givesOut(hill.outcome, hill.climb);
  if (ends !== undefined)
    return {
      state: stateOf(verdict, 'hill'),
      head: ['does not come to its top'],
      more: [...road, ': ', ...ends, '.'],
    };
  return {
    state: stateOf(verdict, 'hill'),
    head: ['climbs ', grade, ' at ', qty(msToKmh(hill.climb.v), 'km/h', 0)],
    more: [...road, '. It starts again on up to ', qty(hill.start.gradePct, '%', 0), '.', ...rests],
  };
}

/** The speed that the range is ridden at: the wanted one, or what the machine gives where it does not hold that. */
function speedOf({ range: { cruise }, known }: Verdict): Phrase {
  const wanted = qty(known.brief.cruiseSpeedKmh.value, 'km/h', 0);
  if (cruise.holds || cruise.on === undefined) return ['At ', wanted];
  return ['It does not hold ', wanted, ': at ', qty(msToKmh(cruise.on.fromV), 'km/h', 0), ' at most'];
}

function far(verdict: Verdict): Told {
  const { range, known } = verdict;
  const state = stateOf(verdict, 'range');
  const { plannedKm } = range;
  if (plannedKm === undefined) return { state, head: ['no range'], more: ['It does not move by itself.'] };
  return {
    state,
    head: [qty(plannedKm.low, 'km', 0), ' to ', qty(plannedKm.high, 'km', 0)],
    more: [
      ...speedOf(verdict),
      `: the first with legs resting, stops and small hills, the second on the level with the rider’s help. Wanted: `,
      qty(known.brief.distanceKm.value, 'km', 0),
      `. ${String(Math.round(known.brief.reservePct.value))} % of the distance is kept back. Cold, wind and hills take more.`,
    ],
  };
}

function fast(verdict: Verdict): Told {
  const { build } = verdict.study;
  const speed = verdict.topKmh.half;
  const end = verdict.law.ways[0]?.facts.assistEndKmh?.high;
  return {
    state: stateOf(verdict, 'top-speed'),
    head:
      speed === undefined ? ['does not move by itself'] : ['goes ', qty(speed, 'km/h', 0), ' on the level'],
    more:
      build.controller.limitsSpeed && end !== undefined
        ? ['Help ends at ', qty(end, 'km/h', 0), '.']
        : ['No speed limit is set.'],
  };
}

/** Whole hours and halves, as one plans an evening. */
const hoursText = (hours: number): string => {
  const halves = Math.max(1, Math.ceil(hours * 2));
  if (halves === 1) return 'half an hour';
  return halves === 2 ? 'an hour' : `${String(Math.floor(halves / 2))}${halves % 2 === 1 ? '½' : ''} hours`;
};

/** What settles in the first rides, by how the motor is held. */
const SETTLES: Readonly<Record<DriveKind, string>> = {
  'geared-hub': 'axle nuts, torque arm, spokes',
  'direct-drive-hub': 'axle nuts, torque arm, spokes',
  'mid-drive': 'the motor’s ring nut, cranks, chain',
  external: 'the motor’s mount, its chain or belt',
};

/** How it is charged: never by a charger that one of its packs does not stand. */
function charging({ study: { build }, known: { packs } }: Verdict): Phrase {
  const runs = packs.map((_, i) => chargePlan(build, i).run);
  if (runs.some((run) => !run.arrives && run.endsAt === undefined))
    return [
      'A charger that is named for it overcharges its pack: do not charge it before it has the right one.',
    ];
  const [run] = runs;
  return packs[0].charger.currentA.source === 'unknown' || run?.arrives !== true
    ? ['Charge it with its own charger only, watched, above freezing.']
    : [
        `Charge it with its own charger only: about ${hoursText(run.hours)} from empty, watched, above freezing.`,
      ];
}

function asks(verdict: Verdict): readonly Phrase[] {
  const { build } = verdict.study;
  const { known } = verdict;
  const permitted = known.donor.permittedKg;
  return [
    charging(verdict),
    build.packs[0].chemistry === 'lead-acid'
      ? ['Charge after every ride, and store it full.']
      : ['Store it half full and cool; do not leave it empty.'],
    permitted.source === 'unknown'
      ? ['The most it may carry is not known: ask before you load it.']
      : ['It may weigh ', qty(permitted.value, 'kg', 0), ' in all, rider and load included.'],
    [
      'After ',
      qty(50, 'km', 0),
      ` bring it in: ${SETTLES[build.drive.kind]}, brakes and plugs are looked at again.`,
    ],
    [
      `Before each ride: tyres, both brakes, lights${build.controls.brakeCutoffs === 'no' ? '' : ', and that the brake lever stops the motor'}.`,
    ],
  ];
}

const ON_ROADS: Readonly<Partial<Record<PlaceOutcome, string>>> = {
  outside: 'As it is it may not be ridden on public roads here.',
  'other-class': 'It may not be ridden on public roads here before an authority has approved it.',
  'cannot-tell':
    'Whether it may be ridden on public roads here is not settled: settle it before the first ride.',
};

/** Nobody is handed a machine that is told as ready while the plan stops at something. */
function notReady({ study: { checks, powerChecks, chain } }: Verdict): readonly string[] {
  const stops =
    [...checks, ...powerChecks].filter((c) => c.state === 'stop').length +
    chain.links.filter((l) => l.state === 'stop').length;
  return stops === 0
    ? []
    : [
        `It is not ready to be ridden: ${counted(stops, 'thing')} of the plan ${stops === 1 ? 'has' : 'have'} to be put right first.`,
      ];
}

function cautions(verdict: Verdict): readonly string[] {
  const { known, law } = verdict;
  const { build } = verdict.study;
  const roads =
    ON_ROADS[law.here.outcome] ?? (law.asSet === undefined ? undefined : ON_ROADS[law.asSet.outcome]);
  const has = (kind: 'lead' | 'lithium'): boolean =>
    build.packs.some(({ chemistry }) => (chemistry === 'lead-acid') === (kind === 'lead'));
  return [
    ...(roads === undefined ? [] : [roads]),
    ...notReady(verdict),
    ...(has('lead') ? ['The battery gives off gas when it is charged: air the room, no flame.'] : []),
    ...(has('lithium')
      ? [
          'A lithium battery that was dropped, got wet or swells is not charged again: bring it in, outdoors until then.',
        ]
      : []),
    'It is heavier and quicker than it was: brake earlier, above all in the wet.',
    ...(build.controls.throttle === 'full'
      ? ['The throttle drives it at once: switch off before you push or lift it.']
      : []),
    ...(known.controller.assistCutoffKmh.source === 'unknown' && !build.controller.limitsSpeed
      ? []
      : ['Changing its speed limit can make it another class, uninsured and unlawful on roads.']),
  ];
}

function instrumentOf({ tests, place }: PlaceVerdict): string | undefined {
  const test = tests.find((t) => t.test.id === place.primaryTest) ?? tests[0];
  const category = (test?.resulting ?? test?.categories[0])?.category;
  return category === undefined ? undefined : `${category.instrument}, ${category.year}`;
}

/** Duties that are asked, each title once, under the strictest word that any text has for it. */
function askedOnce(duties: readonly Duty[]): CustomerPage['duties'] {
  const asked = new Map<string, 'yes' | 'varies'>();
  for (const duty of duties) {
    if (duty.asked !== 'yes' && duty.asked !== 'varies') continue;
    if (asked.get(duty.title) !== 'yes') asked.set(duty.title, duty.asked);
  }
  return [...asked].map(([title, how]) => ({ title, asked: how }));
}

/**
 * What a customer is told of a build: what it is, its class here with label and duties, what it climbs, how far and how fast it
 * goes, its price with what is still open, what it needs and what it warns of. States are those of the figures: what
 * is not known stays not known.
 */
export function customerPage(verdict: Verdict): CustomerPage {
  const { build } = verdict.study;
  const { here } = verdict.law;
  const { money } = build;
  const { ledger, rows } = verdict.list;
  return {
    what: what(verdict),
    climbs: climbs(verdict),
    far: far(verdict),
    fast: fast(verdict),
    instrument: instrumentOf(here),
    label: classLabel(verdict).lines,
    duties: askedOnce(here.duties),
    price: {
      text: ledger.any ? spanText(ledger, money.currency) : 'Not known',
      unpriced: ledger.unpriced,
      main: [
        ...new Set(
          rows.filter((r) => counts(r) && r.line?.small === false && r.price === null).map((r) => r.what),
        ),
      ],
    },
    asks: asks(verdict),
    cautions: cautions(verdict),
  };
}
