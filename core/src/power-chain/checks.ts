import { AMPS_PER_AH } from '../build/pack.ts';
import { CHEMISTRIES } from '../build/chemistries.ts';
import type { BuildDocument } from '../build/document.ts';
import type { KnownBuild } from '../build/known.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import { accessoryDraw } from '../machine/accessories.ts';
import { fullChargeVolts, supplyAt } from '../machine/battery.ts';
import { sameKind } from '../machine/joined-packs.ts';
import { firstPack, secondPack, type Machine } from '../machine/machine.ts';
import { qty } from '../quantity/phrase.ts';
import { equalisingAmps } from '../ride/two-packs.ts';
import type { Chain } from './chain.ts';
import { inrush, type Inrush } from './inrush.ts';
import { leadAmps, leadLoss } from './leads.ts';

/** What the checks of the power chain look at. */
export interface PowerSubject {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly chain: Chain;
}

/** Full charge of both packs, the higher, V. */
export function highestVolts(build: BuildDocument, known: KnownBuild): number {
  const other = secondPack(build, known);
  return Math.max(fullChargeVolts(firstPack(build, known)), other === undefined ? 0 : fullChargeVolts(other));
}

/** A controller's capacitors are at their edge within this of their volts. Common practice: 63 V on a 14S pack. */
const EDGE = 0.95;

function controllerVolts({ build, known }: PowerSubject): Check {
  const full = highestVolts(build, known);
  const rated = known.controller.ratedV;
  return measured({
    id: 'controller-volts',
    group: 'pack',
    title: 'Full charge against the controller',
    value: full,
    unit: 'V',
    sense: 'most',
    fine: rated.value * EDGE,
    look: rated.value,
    limit: ['at most ', qty(rated.value * EDGE, 'V')],
    limitFrom: [rated],
    why: ['A full pack stands at ', qty(full, 'V'), '; the capacitors have to stand it with some in hand.'],
    remedy: ['Take a controller for more volts, or a pack with fewer cells in series.'],
    origin: 'common practice',
    source: 'within a twentieth of its rating a capacitor is at its edge',
    inputs: [rated],
  });
}

function wholeBodies({ build, known }: PowerSubject): readonly Check[] {
  if (build.pack.make !== 'cells' || build.cell.inBody === 1) return [];
  const rest = known.pack.cellsInSeries.value % build.cell.inBody;
  return [
    told({
      id: 'whole-blocks',
      group: 'pack',
      title: 'Cells in series fill whole blocks',
      state: rest === 0 ? 'fine' : 'stop',
      words: rest === 0 ? 'they do' : `${String(rest)} left over`,
      limit: ['a multiple of ', qty(build.cell.inBody, '1', 0)],
      why: ['A block of ', qty(build.cell.inBody, '1', 0), ' cells cannot be divided.'],
      remedy: ['Change the cells in series to a whole number of blocks.'],
      origin: 'derived',
      inputs: [known.pack.cellsInSeries],
    }),
  ];
}

/** Drop in the power lead at the controller's limit, % of the pack's volts. Common practice, no source. */
const DROP_FINE_PCT = 2;
const DROP_LOOK_PCT = 5;

function leadDrop({ build, known, chain }: PowerSubject): Check {
  const { cabling, pack } = known;
  const { volts } = leadLoss(
    build.cabling.conductor,
    cabling.leadMm.value,
    cabling.leadMm2.value,
    chain.battery.peakA,
  );
  return measured({
    id: 'lead-drop',
    group: 'leads',
    title: 'Volts lost in the power lead',
    value: (100 * volts) / pack.nominalV.value,
    unit: '%',
    sense: 'most',
    fine: DROP_FINE_PCT,
    look: DROP_LOOK_PCT,
    limit: ['at most ', qty(DROP_FINE_PCT, '%', 0)],
    why: [qty(volts, 'V', 2), ' out and back at ', qty(chain.battery.peakA, 'A'), '.'],
    remedy: ['Shorten the lead or take a thicker one.'],
    origin: 'common practice',
    source: 'Ohm’s law with the resistivity of IEC 60028 at 40 °C',
    inputs: [cabling.leadMm, cabling.leadMm2],
  });
}

function fuseChecks({ build, known, chain }: PowerSubject): readonly Check[] {
  const { cabling, brief } = known;
  const kind = build.cabling.protection;
  const present = told({
    id: 'fuse-present',
    group: 'leads',
    title: 'A fuse or breaker at the pack',
    state: kind === 'none' ? 'stop' : 'fine',
    words: kind === 'none' ? 'none' : kind,
    limit: ['one, near the pack'],
    why: ['A lead that chafes through carries whatever the cells give.'],
    remedy: ['Fit a direct-current fuse or breaker within a hand’s width of the pack.'],
    origin: 'common practice',
    inputs: [],
    asked: [asked('fuse or breaker', kind)],
  });
  if (kind === 'none' || kind === 'unknown') return [present];
  const carries = leadAmps(
    build.cabling.conductor,
    cabling.leadMm2.value,
    cabling.insulationC.value,
    Math.max(30, brief.temperatureC.value),
  );
  const full = highestVolts(build, known);
  return [
    present,
    measured({
      id: 'fuse-below-lead',
      group: 'leads',
      title: 'Fuse below what the lead carries',
      value: cabling.fuseA.value,
      unit: 'A',
      sense: 'most',
      fine: carries,
      look: carries,
      limit: ['at most ', qty(carries, 'A', 0)],
      limitFrom: [cabling.leadMm2],
      why: ['The fuse has to open before the lead burns.'],
      remedy: ['Take a thicker lead or a smaller fuse.'],
      origin: 'derived',
      source: 'heat balance of a lead in free air (McAdams 1954)',
      inputs: [cabling.fuseA, cabling.leadMm2],
    }),
    measured({
      id: 'fuse-above-hill',
      group: 'leads',
      title: 'Fuse above what the hill takes',
      value: cabling.fuseA.value,
      unit: 'A',
      sense: 'least',
      fine: chain.battery.continuousA,
      look: chain.battery.continuousA,
      limit: ['at least ', qty(chain.battery.continuousA, 'A')],
      why: ['A smaller one opens on the hill.'],
      remedy: ['Take the next size up that the lead still carries.'],
      origin: 'common practice',
      inputs: [cabling.fuseA],
    }),
    measured({
      id: 'fuse-volts',
      group: 'leads',
      title: 'Fuse breaks the pack’s direct current',
      value: cabling.fuseV.value,
      unit: 'V',
      sense: 'least',
      fine: full,
      look: full,
      limit: ['at least ', qty(full, 'V')],
      why: [
        'A direct-current arc does not go out by itself: a rating for alternating current does not count.',
      ],
      remedy: ['Take one with a direct-current rating above a full charge.'],
      origin: 'common practice',
      inputs: [cabling.fuseV],
    }),
  ];
}

/** What a bare plug lets into the controller's capacitors from a full pack of `volts`. */
export const firstTouch = (known: KnownBuild, machine: Machine, volts: number): Inrush =>
  inrush(volts, supplyAt(machine.pack, 1).ohm, known.controller.capacitorUf.value);

/** Above this many volts a bare plug sparks enough to pit it. Common practice. */
const SPARK_V = 48;

function inrushCheck({ build, known, machine }: PowerSubject): Check {
  const means = build.cabling.inrush;
  const full = highestVolts(build, known);
  const rush = firstTouch(known, machine, full);
  const needed = full > SPARK_V;
  return told({
    id: 'inrush',
    group: 'leads',
    title: 'Rush into the controller’s capacitors',
    state: means === 'none' && needed ? 'look' : 'fine',
    words: { none: 'bare plug', resistor: 'resistor first', 'anti-spark': 'anti-spark plug', unknown: '' }[
      means
    ],
    limit: [needed ? 'softened above ' : 'not needed up to ', qty(SPARK_V, 'V', 0)],
    why: [
      'A bare touch lets about ',
      qty(rush.peakA, 'A', 0),
      ' rush in: ',
      qty(rush.energyJ, 'J', 1),
      ' in a spark.',
    ],
    remedy: ['Use an anti-spark plug, or touch through a resistor first.'],
    origin: 'common practice',
    source: 'V / R and C V² / 2',
    inputs: [],
    asked: [asked('what softens the rush', means)],
  });
}

/** A charger's volts have to meet the pack's within this share. Common practice: a few tenths of a volt. */
const CHARGER_BAND = 0.006;

function chargerChecks({ build, known }: PowerSubject): readonly Check[] {
  const { charger, pack, cell } = known;
  const first = firstPack(build, known);
  const wanted = fullChargeVolts(first);
  const off = Math.abs(charger.volts.value - wanted);
  const taken = build.pack.make === 'cells' ? cell.chargeA : pack.maxChargeA;
  return [
    measured({
      id: 'charger-volts',
      group: 'charging',
      title: 'Charger’s volts against the pack',
      value: off,
      unit: 'V',
      sense: 'most',
      fine: wanted * CHARGER_BAND,
      look: wanted * CHARGER_BAND,
      limit: [qty(wanted, 'V'), ', within ', qty(wanted * CHARGER_BAND, 'V')],
      why: [
        qty(first.cellsInSeries, 'S'),
        ' of ',
        CHEMISTRIES[first.chemistry].name,
        ' end at ',
        qty(wanted, 'V'),
        charger.volts.value > wanted * (1 + CHARGER_BAND)
          ? '; this one overcharges.'
          : '; the charger has to end there.',
      ],
      remedy: ['Use the charger made for this pack: never one of other volts or chemistry.'],
      origin: 'common practice',
      source: 'end of charge a cell: lithium 4.20 V, iron phosphate 3.65 V, lead-acid 2.40 V',
      inputs: [charger.volts],
    }),
    measured({
      id: 'charger-amps',
      group: 'charging',
      title: 'Charger’s amps against the cells',
      value: charger.currentA.value,
      unit: 'A',
      sense: 'most',
      fine: pack.maxChargeA.value,
      look: pack.maxChargeA.value,
      limit: ['at most ', qty(pack.maxChargeA.value, 'A')],
      limitFrom: [taken],
      why: [
        'Usual for the chemistry is ',
        qty(AMPS_PER_AH[first.chemistry].charge, '1', 2),
        ' A per Ah; cold cells take less, and lithium none below freezing.',
      ],
      remedy: ['Take a smaller charger.'],
      origin: 'common practice',
      source: 'the cell maker’s data sheet decides',
      inputs: [charger.currentA, taken],
    }),
  ];
}

/** Packs joined directly have to stand this near in volts a cell. Common practice, no source. */
const JOIN_V = 0.1;

function secondChecks({ build, known, machine }: PowerSubject): readonly Check[] {
  const other = secondPack(build, known);
  if (other === undefined) return [];
  const first = firstPack(build, known);
  const { second, pack } = known;
  const join = build.second.join;
  if (join !== 'parallel') {
    const volts = supplyAt(other, 0.5).openVolts;
    return [
      measured({
        id: 'second-above-cutoff',
        group: 'second',
        title: 'Second pack above the controller’s cut-off',
        value: volts,
        unit: 'V',
        sense: 'least',
        fine: machine.limits.lowVolts * 1.05,
        look: machine.limits.lowVolts,
        limit: ['above ', qty(machine.limits.lowVolts, 'V')],
        why: ['Half full it rests at ', qty(volts, 'V'), '; the controller stops below its cut-off.'],
        remedy: ['Take a pack with as many cells in series, or a controller whose cut-off follows the pack.'],
        origin: 'derived',
        inputs: [second.cellsInSeries],
      }),
    ];
  }
  const kind = sameKind(first, other);
  const apart =
    Math.abs(
      supplyAt(first, pack.chargeLimitPct.value / 100).openVolts -
        supplyAt(other, second.chargedPct.value / 100).openVolts,
    ) / Math.max(first.cellsInSeries, 1);
  const amps = equalisingAmps(first, other, pack.chargeLimitPct.value / 100, second.chargedPct.value / 100);
  return [
    told({
      id: 'parallel-kind',
      group: 'second',
      title: 'Packs joined directly are of one kind',
      state: kind ? 'fine' : 'stop',
      words: kind ? 'same cells in series' : 'unlike packs',
      limit: ['same chemistry, same cells in series'],
      why: [
        'The higher pack charges the lower without any limit: about ',
        qty(amps, 'A', 0),
        ' at the touch.',
      ],
      remedy: ['Use them one at a time by a switch, or through an ideal-diode combiner.'],
      origin: 'common practice',
      inputs: [pack.cellsInSeries, second.cellsInSeries],
    }),
    measured({
      id: 'parallel-volts',
      group: 'second',
      title: 'Volts apart before joining, a cell',
      value: apart,
      unit: 'V',
      sense: 'most',
      fine: JOIN_V,
      look: JOIN_V,
      limit: ['at most ', qty(JOIN_V, 'V')],
      why: ['Joined like this, ', qty(amps, 'A', 0), ' flow from one into the other at first.'],
      remedy: ['Charge both to the same volts before they are joined, and measure both.'],
      origin: 'common practice',
      source: 'difference of open volts over both resistances',
      inputs: [pack.cellsInSeries, second.cellsInSeries, second.chargedPct],
    }),
  ];
}

function supplyChecks({ build, known }: PowerSubject): readonly Check[] {
  const { accessories, means } = build.supply;
  const low = accessories.filter((a) => a.volts > 0);
  if (low.length === 0) return [];
  const group = 'supply' as const;
  const asks = [asked('what feeds the low-volt accessories', means)];
  if (means === 'resistor') {
    const wasted = low.reduce((sum, a) => sum + accessoryDraw(build, known, a).wastedW, 0);
    return [
      told({
        id: 'dropper',
        group,
        title: 'Lights behind a dropping resistor',
        state: 'look',
        words: 'resistor',
        limit: ['a converter'],
        why: ['The resistor turns ', qty(wasted, 'W', 0), ' into heat while all are on, and runs hot.'],
        remedy: ['Fit a DC-DC converter: it takes less from the range and stays cool.'],
        origin: 'common practice',
        inputs: [],
      }),
    ];
  }
  if (means === 'own-cells') return [];
  const { supply } = known;
  const watts = low.reduce((sum, a) => sum + a.watts, 0);
  const full = highestVolts(build, known);
  return [
    measured({
      id: 'converter-watts',
      group,
      title: 'Converter against all accessories at once',
      value: watts,
      unit: 'W',
      sense: 'most',
      fine: supply.ratedW.value * 0.8,
      look: supply.ratedW.value,
      limit: ['at most four fifths of ', qty(supply.ratedW.value, 'W', 0)],
      limitFrom: [supply.ratedW],
      why: ['All on together take ', qty(watts, 'W', 0), ' at their own volts.'],
      remedy: ['Take a larger converter.'],
      origin: 'common practice',
      inputs: [supply.ratedW],
      asked: asks,
    }),
    measured({
      id: 'converter-volts',
      group,
      title: 'Converter’s input against a full charge',
      value: full,
      unit: 'V',
      sense: 'most',
      fine: supply.maxInV.value * EDGE,
      look: supply.maxInV.value,
      limit: ['at most ', qty(supply.maxInV.value * EDGE, 'V')],
      limitFrom: [supply.maxInV],
      why: ['It hangs on the pack all the time, also when it is just charged.'],
      remedy: ['Take a converter for more volts.'],
      origin: 'common practice',
      inputs: [supply.maxInV],
      asked: asks,
    }),
  ];
}

/** Cells take this many times their charge limit for the seconds of a braking. Common practice, no source. */
const SECONDS = 2;

/** What a braking motor gives back: room for it in the pack, and the cells' limit. */
function regenChecks({ build, known }: PowerSubject): readonly Check[] {
  if (build.drive.freewheel || build.controller.regenerates === 'no') return [];
  const { pack, cell, controller } = known;
  const taken = build.pack.make === 'cells' ? cell.chargeA : pack.maxChargeA;
  const full = pack.chargeLimitPct.value >= 100;
  const brakes = [asked('whether the motor brakes', build.controller.regenerates)];
  const most = pack.maxChargeA.value;
  return [
    told({
      id: 'regen-full',
      group: 'charging',
      title: 'Room in the pack for braking',
      state: full ? 'look' : 'fine',
      words: full ? 'charged to full' : 'room at the top',
      limit: ['charged below ', qty(100, '%', 0)],
      why: ['A full pack cannot take charge: its protection opens, and the motor’s braking is gone.'],
      remedy: ['Charge to 90 % where the ride begins with a descent.'],
      origin: 'common practice',
      inputs: [],
      asked: brakes,
    }),
    measured({
      id: 'regen-amps',
      group: 'charging',
      title: 'Charge from braking against the cells',
      value: controller.regenA.value,
      unit: 'A',
      sense: 'most',
      fine: most * SECONDS,
      look: most * 2 * SECONDS,
      limit: ['at most ', qty(most * SECONDS, 'A'), ' for seconds'],
      limitFrom: [taken],
      why: [
        'Twice the charge limit for seconds at a time; a long descent is a charge like any other: ',
        qty(most, 'A'),
        '.',
      ],
      remedy: ['Lower the controller’s braking current.'],
      origin: 'common practice',
      inputs: [controller.regenA, taken],
      asked: brakes,
    }),
  ];
}

/** Every check of the power chain beside the current itself. */
export const powerChecks = (s: PowerSubject): readonly Check[] => [
  controllerVolts(s),
  ...wholeBodies(s),
  leadDrop(s),
  ...fuseChecks(s),
  inrushCheck(s),
  ...chargerChecks(s),
  ...regenChecks(s),
  ...secondChecks(s),
  ...supplyChecks(s),
];
