import { leadOpens, type LeadOpens } from '../../../document/lead-opens.ts';
import type { Chemistry } from '../../../document/choices.ts';
import { endSpan } from '../../../power-chain/charging.ts';
import { AT_REST, BLOCK_V } from '../../../power-chain/expectations.ts';
import { qty } from '../../../quantity/phrase.ts';
import type { Job } from '../../job.ts';
import { wholeCapacityAh } from '../../../machine/battery.ts';
import { isSecondHand } from '../../parts-list/arrival.ts';
import type { Row } from '../../parts-list/purchase-list.ts';
import { benchPacks, ofIndex, type BenchPack } from '../scene.ts';
import { between, holdPoint, ticks, type HoldPoint } from '../hold-point.ts';

/** Series groups of a sound pack are not further apart at rest, V. Common practice, no source. */
const SPREAD_V = 0.05;
/** Cells of a 12 V block of lead-acid. */
const CELLS_A_BLOCK = 6;
/** Blocks of one set at rest are not further apart, V. Common practice, no source. */
const BLOCK_SPREAD_V = 0.2;
/** Packs that are joined directly differ by at most this a cell. Common practice, no source. */
const JOIN_V_A_CELL = 0.1;
/** Between a pack and the frame, Mohm. Common practice, no source. */
const INSULATION_MOHM = 1;

const LIVE =
  'A pack cannot be switched off: insulated tools, no ring or watch, one hand away, and never its two poles at once.';

function leadAcid({ index, name, part, pack }: BenchPack): readonly HoldPoint[] {
  const blocks = Math.max(1, Math.round(pack.cellsInSeries / CELLS_A_BLOCK));
  const [low, high] = AT_REST['lead-acid'];
  const names = Array.from({ length: blocks }, (_, i) => `Block ${String(i + 1)}`);
  return [
    holdPoint(
      'pack',
      ofIndex('blocks', index),
      `${name}: each block at rest`,
      'Direct volts on the poles of each block by itself, a night after charging.',
      { kind: 'readings', unit: 'V', names, low: BLOCK_V[0], high: BLOCK_V[1], spread: BLOCK_SPREAD_V },
      {
        guards: true,
        instrument: 'meter, volts',
        probes: { black: 'minus of the block', red: 'plus of the block' },
        part,
        caution: LIVE,
        why: ['a 12 V block: ', qty(BLOCK_V[0], 'V', 1), ' to ', qty(BLOCK_V[1], 'V', 1)],
        otherwise: 'A block below 12 V is charged by itself and looked at again the next day.',
      },
    ),
    // Each further block is metered before the next one is joined.
    ...Array.from({ length: blocks - 1 }, (_, i) => i + 2).map((n) =>
      holdPoint(
        'pack',
        `${ofIndex('joined', index)}-${String(n)}`,
        `${name}: ${String(n)} blocks joined`,
        `The ${String(n)} joined blocks from end to end, before the next link goes in.`,
        between('V', n * CELLS_A_BLOCK * low, n * CELLS_A_BLOCK * high),
        {
          guards: true,
          instrument: 'meter, volts',
          probes: { black: 'minus of the first', red: 'plus of the last' },
          part,
          caution: LIVE,
          why: [
            `${String(n)} times `,
            qty(CELLS_A_BLOCK * low, 'V', 1),
            ' to ',
            qty(CELLS_A_BLOCK * high, 'V', 2),
          ],
          otherwise:
            'Far too little: a block is joined the wrong way round. Undo the last link before anything else.',
        },
      ),
    ),
  ];
}

const lithium = (volts: number): string =>
  `Below: charge it under watch, never unattended; below ${volts.toFixed(1)} V a cell it is not charged at all.`;
/** What is done with a pack that reads too low. Cells' data sheets, from memory; they win. */
const TOO_LOW: Readonly<Record<Chemistry, string>> = {
  nmc: lithium(2.5),
  'nmc-power': lithium(2.5),
  lmo: lithium(2.5),
  lfp: lithium(2),
  'lead-acid':
    'Below: charge it now, where it is aired; a 12 V block that stays under 10.5 V after a night on the charger is done.',
};

function groups({ index, name, part, pack, own: made, rest }: BenchPack): HoldPoint {
  const [low, high] = AT_REST[pack.chemistry];
  // Groups are counted one by one only where their number is known.
  const own = made && rest.low !== null;
  const names = own
    ? Array.from({ length: pack.cellsInSeries }, (_, i) => `Group ${String(i + 1)}`)
    : ['Lowest group', 'Highest group'];
  return holdPoint(
    'pack',
    ofIndex('groups', index),
    `${name}: ${own ? 'each series group' : 'lowest and highest group'} at rest`,
    own
      ? 'Direct volts at the balance leads, from each to the next.'
      : 'As the protection board tells them, or at the balance plug if it is reachable; sealed without a teller: waive it, and say so.',
    { kind: 'readings', unit: 'V', names, low, high, spread: SPREAD_V },
    {
      instrument: own ? 'meter, volts' : 'battery monitor',
      probes: own ? { black: 'one balance lead', red: 'the next one' } : null,
      part,
      caution: LIVE,
      why: [
        rest.low === null ? 'cells in series are not known; ' : `${String(pack.cellsInSeries)} in series, `,
        qty(low, 'V', 2),
        ' to ',
        qty(high, 'V', 2),
        ' a cell, apart by at most ',
        qty(SPREAD_V, 'V', 2),
      ],
      otherwise:
        'Groups further apart are balanced by the board on a slow charge; one that stays low is a sick group: do not ride on it.',
    },
  );
}

function whole({ index, name, part, pack, rest }: BenchPack): HoldPoint {
  const [low, high] = AT_REST[pack.chemistry];
  const s = pack.cellsInSeries;
  return holdPoint(
    'pack',
    ofIndex('volts', index),
    `${name}: volts at rest`,
    'Direct volts at its own discharge plug, nothing joined.',
    between('V', rest.low, rest.high),
    {
      guards: true,
      instrument: 'meter, volts',
      probes: { black: 'minus of the pack', red: 'plus of the pack' },
      part,
      caution: LIVE,
      why:
        rest.low === null
          ? ['cells in series are not known: read the label, or Power asks for them']
          : [`${String(s)} in series, `, qty(low, 'V', 2), ' to ', qty(high, 'V', 2), ' a cell'],
      otherwise: TOO_LOW[pack.chemistry],
    },
  );
}

const polarity = ({ index, name, part }: BenchPack): HoldPoint =>
  holdPoint(
    'pack',
    ofIndex('polarity', index),
    `${name}: plus is where the plan has it`,
    'Red probe on the contact that is plus in the plan: the meter shows no minus sign. Look, meter, and meter again.',
    ticks('Metered once', 'Metered twice, by another pair of eyes if there is one'),
    {
      guards: true,
      instrument: 'meter, volts',
      probes: { black: 'minus of the pack', red: 'plus of the pack' },
      part,
      photograph: true,
      caution: 'Turned once, it ends the controller; colours of leads are no proof.',
    },
  );

const LEAD_OFF: Readonly<Record<LeadOpens, string>> = {
  switch: 'the main switch off',
  breaker: 'the breaker off',
  plug: 'the battery plug parted',
};

/**
 * The charger by itself, before it meets the pack: where the charge of its cells ends. What its label or the plan says does not
 * make it the right one, and nothing is held against cells that nobody has counted.
 */
function charger({ build, known }: Job, { index, name, part, pack, rest }: BenchPack): HoldPoint {
  const counted = rest.low !== null;
  const [low, high] = endSpan(pack, (known.packs[index]?.chargeLimitPct.value ?? 100) / 100);
  return holdPoint(
    'pack',
    ofIndex('charger', index),
    `${name}: its charger, by itself`,
    'Direct volts at the charger’s plug, not yet in the pack: red probe on the contact that meets the pack’s plus, no minus sign.',
    counted ? between('V', low, high) : between('V', null, null),
    {
      guards: true,
      instrument: 'meter, volts',
      probes: { black: 'minus of its plug', red: 'plus of its plug' },
      part,
      caution: `Mains: nothing open, nothing wet. The first charge is watched, on what does not burn, with ${LEAD_OFF[leadOpens(build)]}.`,
      why: counted
        ? ['where the charge of these cells ends: ', qty(low, 'V', 1), ' to ', qty(high, 'V', 1)]
        : ['the cells in series are not known: count them before anything is charged'],
      otherwise:
        'Higher: it is for other cells, and sets such a pack on fire. Turned: its plug is wired another way. Nothing: some begin only at the pack; then read the pack’s volts as the charge ends.',
    },
  );
}

/** A pack of some age is taken at so much of what the plan counts on, and no less. Common practice, no source. */
const HOLDS = 0.95;

/** What a used pack still holds: the plan counts on it, and a label tells nothing of it. */
function capacity({ known }: Job, { index, name, part, pack }: BenchPack): HoldPoint {
  const own = known.packs[index] ?? known.packs[0];
  const counted = wholeCapacityAh(pack);
  const read = own.capacityAh.source !== 'unknown' || own.cell.capacityAh.source !== 'unknown';
  return holdPoint(
    'pack',
    ofIndex('capacity', index),
    `${name}: what it still holds`,
    'From full to its cut-off at about a fifth of its amp-hours, through a counter; or on a first long ride, by the display’s amp-hours.',
    between('Ah', read ? HOLDS * counted : null, null),
    {
      instrument: 'display',
      part,
      caution: 'Discharged under watch, on what does not burn; never below the cut-off of its cells.',
      why: read
        ? ['second-hand: Power counts on ', qty(counted, 'Ah', 1), ', less a twentieth']
        : ['second-hand, and nobody has read how much it held when new'],
      otherwise: 'Less: write it down in Power as measured. Range, and what it is worth, follow it.',
    },
  );
}

/** Packs first, by themselves: each block or group, the whole, its poles, its charger, and nothing joined to the frame. */
export function pack(job: Job, rows: readonly Row[]): readonly HoldPoint[] {
  const packs = benchPacks(job);
  const { joining } = job.build;
  const [first] = packs;
  const used = (index: number): boolean =>
    rows.some(
      (row) =>
        ['pack', 'cells'].includes(row.line?.rule ?? '') &&
        (row.line?.pack ?? 0) === index &&
        isSecondHand(row, rows),
    );
  return [
    ...packs.flatMap((p) => [
      ...(p.leadAcid ? leadAcid(p) : [groups(p)]),
      whole(p),
      polarity(p),
      charger(job, p),
      ...(used(p.index) ? [capacity(job, p)] : []),
    ]),
    holdPoint(
      'pack',
      'frame',
      'Nothing joined to the frame',
      'Ohms from bare metal of the frame to plus and to minus, pack in place and not joined to anything.',
      {
        kind: 'readings',
        unit: 'Mohm',
        names: ['Plus to frame', 'Minus to frame'],
        low: INSULATION_MOHM,
        high: null,
        spread: null,
      },
      {
        guards: true,
        instrument: 'meter, ohms',
        probes: { black: 'bare metal of the frame', red: 'each pole in turn' },
        why: ['more than ', qty(INSULATION_MOHM, 'Mohm', 0)],
        caution:
          'Meter volts between pole and frame first: anything but 0 V is a fault, and ohms are not measured on it.',
        otherwise: 'A lead is pinched somewhere, or the case conducts: find it before anything is joined.',
      },
    ),
    ...(packs.length > 1 && joining.how === 'parallel' && first !== undefined
      ? [
          holdPoint(
            'pack',
            'together',
            'Packs within reach of each other before they are joined',
            'Volts of each pack, one after the other; the difference decides.',
            {
              kind: 'readings',
              unit: 'V',
              names: packs.map((p) => p.name),
              low: null,
              high: null,
              spread: JOIN_V_A_CELL * first.pack.cellsInSeries,
            },
            {
              guards: true,
              instrument: 'meter, volts',
              probes: { black: 'minus of each pack', red: 'plus of each pack' },
              caution: 'Joined apart, the fuller one empties into the other without a limit.',
              why: [qty(JOIN_V_A_CELL, 'V', 1), ` a cell, ${String(first.pack.cellsInSeries)} in series`],
              part: packs.map((p) => p.part).join(', '),
            },
          ),
        ]
      : []),
  ];
}
