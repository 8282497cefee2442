import { CHEMISTRIES } from '../document/chemistries.ts';
import { AMPS_PER_AH } from '../document/per-cell.ts';
import type { PackDocument } from '../document/pack.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { Known, KnownPack } from '../document/known-build.ts';
import { chargeAtRest, fullChargeVolts, type Pack } from '../machine/battery.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { idOfPack, ofPack } from '../document/pack-names.ts';
import { coldChargeVolts, endSpan, overcharges } from './charging.ts';
import type { PowerSubject } from './subject.ts';

/** What a pack takes on charge rests on: the amps of its cells and how many stand side by side, or its own. */
export const takenBy = (pack: PackDocument, known: KnownPack): readonly Known[] =>
  pack.make === 'cells' ? [known.cell.chargeA, known.cell.parallel] : [known.maxChargeA];

/** Each charger's volts against its pack's end of charge, and its amps against what the cells take. */
export const chargerChecks = (s: PowerSubject): readonly Check[] => [
  ...packsAboard(s.build, s.known).flatMap(({ pack }, i) => chargerOf(s, pack, i)),
  ...chargePlug(s),
];

/** The plug that the chargers go into, where the build says that it has one of its own. */
function chargePlug({ build, known }: PowerSubject): readonly Check[] {
  if (!build.cabling.passes.includes('charge-plug')) return [];
  const { chargePlugA } = known.cabling;
  const amps = known.packs.map((pack) => pack.charger.currentA);
  return [
    measured({
      id: 'charge-plug',
      group: 'charging',
      title: 'Charge plug against the charger',
      value: Math.max(...amps.map((a) => a.value)),
      unit: 'A',
      sense: 'most',
      fine: chargePlugA.value,
      look: chargePlugA.value * 1.25,
      limit: ['at most ', qty(chargePlugA.value, 'A')],
      limitFrom: [chargePlugA],
      why: ['It carries the charger’s amps for hours, and is often the smallest plug of the machine.'],
      remedy: ['Take a larger plug or a smaller charger. Cover it: its pins stand under the pack’s volts.'],
      origin: 'common practice',
      inputs: [chargePlugA, ...amps],
    }),
  ];
}

/** A charger that ends below this share of a pack is for another pack; above the other it fills it, as one of 3.5 V a cell does iron phosphate. */
const [HARDLY, AS_GOOD_AS_FULL] = [0.3, 0.97];

/** Less than this is nothing at one decimal, V. */
const NEAR_V = 0.05;

/** What lead-acid wants that is charged where the pack stands, if it is cold there. */
function whereItStands(first: Pack, { startC }: KnownPack, most: number): Phrase {
  const more = coldChargeVolts(first, startC.value);
  if (more === 0) return [];
  return [
    ' Stated for 25 °C: where the pack stands at ',
    qty(startC.value, 'C', 0),
    ' all of them want ',
    qty(more, 'V', 1),
    ' more, up to ',
    qty(most + more, 'V', 1),
    ', from a charger that feels their temperature; one that does not leaves them a little short.',
  ];
}

/** A charger's volts against its pack's end of charge. */
function chargerVolts(s: PowerSubject, first: Pack, index: number): Check {
  const pack = s.known.packs[index] ?? s.known.packs[0];
  const { charger, cellsInSeries, chargeLimitPct } = pack;
  const [least, most] = endSpan(first, chargeLimitPct.value / 100);
  const volts = charger.volts.value;
  const lead = first.chemistry === 'lead-acid';
  const fills = chargeAtRest(first, volts);
  const short = !lead && volts < least;
  const early = short && fills > HARDLY;
  const off = Math.max(0, least - volts, volts - most);
  // Digits enough to see by how little it is missed.
  const digits = off > 0 && off < NEAR_V ? 2 : 1;
  const says = (): Phrase => {
    if (overcharges(volts, first)) return ['; this one overcharges.'];
    return early
      ? ['; this one ends with about ', qty(100 * fills, '%', 0), ' in.']
      : ['; the charger has to end there.'];
  };
  return measured({
    id: idOfPack('charger-volts', index),
    group: 'charging',
    title: `Charger’s volts against the pack${ofPack(s.build, index)}`,
    value: short && fills > AS_GOOD_AS_FULL ? 0 : off,
    unit: 'V',
    sense: 'most',
    // Rounding of a label is no fault.
    fine: 1e-6,
    look: early ? Infinity : 1e-6,
    limit: [qty(least, 'V', digits), ' to ', qty(most, 'V', digits)],
    limitFrom: [cellsInSeries],
    why: [
      qty(first.cellsInSeries, 'S'),
      ' of ',
      CHEMISTRIES[first.chemistry].name,
      ...(lead ? [' float at ', qty(least, 'V'), ' and are absorbed at up to '] : [' end at ']),
      qty(lead ? most : fullChargeVolts(first), 'V'),
      ...says(),
      ...(lead ? whereItStands(first, pack, most) : []),
    ],
    remedy: [
      early
        ? 'If that is meant, say so at “charged to”: it lasts longer, and is filled now and then for its board to balance. Else take the charger made for this pack.'
        : 'Use the charger made for this pack: never one of other volts or chemistry.',
    ],
    origin: 'common practice',
    source:
      'end of charge a cell: lithium 4.20 V, iron phosphate 3.65 V, lead-acid 2.25 V float to 2.45 V absorption at 25 °C, 4 mV more for each degree below',
    mends: charger.volts,
    // What a cell more would not stand is too much however many there are.
    inputs: overcharges(volts, { ...first, cellsInSeries: first.cellsInSeries + 1 })
      ? [charger.volts]
      : [charger.volts, cellsInSeries],
  });
}

function chargerOf(s: PowerSubject, first: Pack, index: number): readonly Check[] {
  const [document, pack] = [s.build.packs[index], s.known.packs[index]];
  if (document === undefined || pack === undefined) return [];
  const { charger } = pack;
  const taken = takenBy(document, pack);
  return [
    chargerVolts(s, first, index),
    measured({
      id: idOfPack('charger-amps', index),
      group: 'charging',
      title: `Charger’s amps against the cells${ofPack(s.build, index)}`,
      value: charger.currentA.value,
      unit: 'A',
      sense: 'most',
      fine: pack.maxChargeA.value,
      look: pack.maxChargeA.value,
      limit: ['at most ', qty(pack.maxChargeA.value, 'A')],
      limitFrom: taken,
      why: [
        'Usual for the chemistry is ',
        qty(AMPS_PER_AH[first.chemistry].charge, '1', 2),
        ' A per Ah; cold cells take less, and lithium none below freezing.',
      ],
      remedy: ['Take a smaller charger.'],
      origin: 'common practice',
      source: 'the cell maker’s data sheet decides',
      mends: charger.currentA,
      inputs: [charger.currentA, ...taken],
    }),
  ];
}

/** Cells take this many times their charge limit for the seconds of a braking. Common practice, no source. */
export const BRAKING_SHARE = 2;

/** What a braking motor gives back: room for it in the pack, and the cells' limit. */
export function regenChecks({ build, known }: PowerSubject): readonly Check[] {
  if (build.drive.freewheel || build.controller.regenerates === 'no') return [];
  const { controller, packs } = known;
  const [pack] = packs;
  const taken = takenBy(build.packs[0], pack);
  const full = packs.some((one) => one.chargeLimitPct.value >= 100);
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
      fine: most * BRAKING_SHARE,
      look: most * 2 * BRAKING_SHARE,
      limit: ['at most ', qty(most * BRAKING_SHARE, 'A'), ' for seconds'],
      limitFrom: taken,
      why: [
        'Twice the charge limit for seconds at a time; a long descent is a charge like any other: ',
        qty(most, 'A'),
        '.',
      ],
      remedy: ['Lower the controller’s braking current.'],
      origin: 'common practice',
      inputs: [controller.regenA, ...taken],
      asked: brakes,
    }),
  ];
}
