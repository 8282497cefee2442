import { toldApart } from '../../../quantity/told-apart.ts';
import type { BuildDocument } from '../../../document/document.ts';
import { leadOpens } from '../../../document/lead-opens.ts';
import { controllersBeside } from '../../../document/motors.ts';
import { qty } from '../../../quantity/phrase.ts';
import { leftOverRows } from '../../harness/left-over.ts';
import type { Job } from '../../job.ts';
import { benchPacks } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';
import { guard } from './guard.ts';

/** What a meter may show where nothing is joined, V: induced and left over. Common practice, no source. */
const [NOTHING_LOW_V, NOTHING_HIGH_V] = [-0.2, 0.5];
/** What parts the battery lead, closed and open; a fuse is drawn where nothing else parts it but the plug that is being joined. */
const MEANS = {
  switch: { name: 'switch', off: 'main switch off', on: 'main switch on' },
  breaker: { name: 'breaker', off: 'breaker off', on: 'breaker on' },
  fuse: { name: 'fuse', off: 'fuse out', on: 'fuse in' },
  plug: { name: undefined, off: 'pack parted', on: 'pack joined' },
} as const;

function meansOf(build: BuildDocument): (typeof MEANS)[keyof typeof MEANS] {
  const opens = leadOpens(build);
  return MEANS[opens === 'plug' && build.cabling.protection === 'fuse' ? 'fuse' : opens];
}

const JOINS: Readonly<Record<'switch' | 'combiner', readonly [name: string, otherwise: string]>> = {
  switch: [
    'change-over switch',
    'Volts there: the switch joins both in one of its places. Part the packs; it is not used.',
  ],
  combiner: [
    'combiner',
    'Ideal diodes leak a little: read again with a resistor of 10 kohm across the half. What is left then is a diode that has failed: part the packs.',
  ],
};

/** A switch or diodes keep packs from each other: what one gives never stands on the lead of another. */
function backFeed(job: Job): readonly HoldPoint[] {
  const { how } = job.build.joining;
  const packs = benchPacks(job);
  if (packs.length < 2 || how === 'parallel') return [];
  const [name, otherwise] = JOINS[how];
  return [
    holdPoint(
      'cold',
      'apart',
      `No pack reaches another through the ${name}`,
      `One pack joined ${how === 'switch' ? 'and chosen, then every other place of the switch' : 'at a time'}, the others parted: direct volts at their parted halves, on the side of the ${name}.`,
      {
        kind: 'readings',
        unit: 'V',
        names: packs.map((p) => `${p.name} joined`),
        low: NOTHING_LOW_V,
        high: NOTHING_HIGH_V,
        spread: null,
      },
      {
        guards: true,
        instrument: 'meter, volts',
        probes: { black: 'minus of the half', red: 'plus of the half' },
        part: [name, ...packs.map((p) => p.part)].join(', '),
        caution: 'Two packs that meet at unlike volts empty into each other without a limit.',
        why: ['nothing but what a meter shows of a dead lead'],
        otherwise,
      },
    ),
  ];
}

/** Of joints that are crimped, soldered, or both, and of those that nobody has decided. Common practice, no source. */
const JOINTS = {
  crimped: [
    'Each pulled by hand: nothing moves',
    'One for trial, same lead and contact, pulled until it fails: the strands tear, the crimp holds',
    'No strand cut off or left outside',
  ],
  soldered: [
    'Each filled and bright, no grey or cold one',
    'The lead held within a hand’s width of where the solder ends',
    'Shrink over the joint, and past where the strands are stiff',
  ],
  both: [
    'Crimped first, on bare strands that were never tinned; each pulled by hand',
    'Solder at the end of the barrel alone',
    'The lead held within a hand’s width of where the solder ends',
  ],
  unknown: ['Each pulled by hand: nothing moves', 'How they were made is written down in Power'],
} as const;

/** Contacts that were put on here: a bad one warms under the hill, not on the bench. */
const joints = ({ cabling }: BuildDocument): HoldPoint =>
  holdPoint(
    'cold',
    'joints',
    'Every contact that was put on here',
    'Dead lead in the hand: eye and thumb on each, those of the battery and phase leads first.',
    ticks(...JOINTS[cabling.joints]),
    {
      photograph: true,
      part: cabling.joints,
      origin: 'common practice, no source',
      otherwise: 'Cut it off and make it again: a joint is not mended.',
    },
  );

const ENDS = {
  unknown: 'as it is found',
  open: 'open, covered, tied back',
  joined: 'joined as it is meant',
} as const;

/** What hangs from the controller and the plan joins nothing to. */
function leftOver(build: BuildDocument): readonly HoldPoint[] {
  const rows = leftOverRows(build);
  if (rows.length === 0) return [];
  return [
    holdPoint(
      'cold',
      'left-over',
      'Plugs left over at the controller',
      'Each by its name, the lead dead: as Wire has it, each open contact covered by itself.',
      {
        kind: 'ticks',
        items: toldApart(rows.map(({ name }) => name)).map((name, i) =>
          `${name}: ${ENDS[rows[i]?.told.ends ?? 'unknown']}`.slice(0, 120),
        ),
      },
      {
        guards: true,
        part: rows
          .map(({ name, told }) => `${name} ${told.ends} ${told.limit}`)
          .join(', ')
          .slice(0, 600),
        why: [`${String(rows.length)} noted in Wire`],
        caution: 'Two bare ends that touch are joined: the limit lifted, or a supply shorted.',
      },
    ),
  ];
}

/** Joined plug by plug with nothing switched on: what is dead has to read dead, and plus has to be plus. */
export function cold(job: Job): readonly HoldPoint[] {
  const { build } = job;
  const packs = benchPacks(job);
  const lows = packs.map(({ rest }) => rest.low);
  const highs = packs.map(({ rest }) => rest.high);
  const isKnown = ![...lows, ...highs].includes(null);
  const low = isKnown ? Math.min(...lows.map((v) => v ?? 0)) : null;
  const high = isKnown ? Math.max(...highs.map((v) => v ?? 0)) : null;
  const { name: means, off, on } = meansOf(build);
  const { wires } = job.wiring();
  const others = wires.filter(({ cable }) => !/^pack|charger|combiner/.test(cable.key));
  const part = packs.map((p) => p.part).join(', ');
  return [
    ...guard(job),
    holdPoint(
      'cold',
      'off',
      `Battery lead, ${off}`,
      'Direct volts, black on minus and red on plus of the battery lead at the controller’s end; hold for three seconds.',
      between('V', NOTHING_LOW_V, NOTHING_HIGH_V),
      {
        guards: true,
        instrument: 'meter, volts',
        probes: { black: 'minus of the lead', red: 'plus of the lead' },
        part,
        caution:
          'The pack is joined for the first time: other plugs covered, no ring on the hand. A pack of this size burns what shorts it.',
        why: [means === undefined ? 'nothing is joined' : `nothing beyond the ${means}`],
        otherwise: `Anything but 0 V: the ${means ?? 'plug'} is closed, faulty, or bridged by a pre-charge. Part the pack first.`,
      },
    ),
    holdPoint(
      'cold',
      'on',
      `Battery lead, ${on}`,
      'The same two places, the controller’s plug still parted.',
      between('V', low, high),
      {
        guards: true,
        instrument: 'meter, volts',
        probes: { black: 'minus of the lead', red: 'plus of the lead' },
        part,
        caution: 'The lead is live at its end: socket half on this side, cover on until it is joined.',
        why:
          low === null || high === null
            ? ['cells in series are not known: as the pack showed by itself']
            : ['from empty to full at rest: ', qty(low, 'V', 1), ' to ', qty(high, 'V', 1)],
        otherwise:
          'Less than the pack by itself: a plug, a fuse or a link on the way. Nothing: the fuse, or the board has switched off.',
      },
    ),
    ...backFeed(job),
    holdPoint(
      'cold',
      'polarity',
      'Polarity at the controller, twice',
      'At the plug that goes into the controller: red probe on its plus, no minus sign; then once more after a look away.',
      ticks(
        'Plus on plus, first time',
        'Plus on plus, second time',
        ...(controllersBeside(build) === 2
          ? ['Second controller: plus on plus, first time', 'Second controller: plus on plus, second time']
          : []),
      ),
      {
        guards: true,
        photograph: true,
        instrument: 'meter, volts',
        probes: { black: 'minus of the plug', red: 'plus of the plug' },
        part: build.controller.name,
        caution: `${off.charAt(0).toUpperCase()}${off.slice(1)} before the plug is pushed home.`,
        otherwise: 'Turned: part the pack, turn the two contacts in one half, and begin this group again.',
      },
    ),
    ...(others.length === 0
      ? []
      : [
          holdPoint(
            'cold',
            'plugs',
            'Every other plug pair, pin by pin',
            `With the lead dead (${off}): each half against the plan, pins straight, home until it clicks, cap on what stays open.`,
            { kind: 'ticks', items: others.map(({ cable }) => `P${String(cable.number)} ${cable.carries}`) },
            {
              guards: true,
              part: others.map(({ cable }) => cable.key).join(' '),
              why: [`${String(others.length)} plug pairs of the harness`],
              caution: 'A plug that does not go home is not pushed: a pin is bent, or it is another plug.',
            },
          ),
        ]),
    joints(build),
    ...leftOver(build),
    holdPoint(
      'cold',
      'relief',
      'No loose lead, strain taken, nothing bare',
      'Pull each lead gently where it leaves its box; look for copper.',
      ticks('Strain relief at each box', 'Nothing bare or loose', 'Clear of disc, chain and crank'),
      { guards: true, photograph: true },
    ),
  ];
}
