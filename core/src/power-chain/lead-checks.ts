import { unlabelled } from '../document/stands-in.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import { supplyAt } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { couldTurn } from '../machine/span.ts';
import { qty } from '../quantity/phrase.ts';
import { WARM_AIR_C } from './scene.ts';
import { hillTurning } from './link.ts';
import { inrush, type Inrush } from './inrush.ts';
import { leadAmps, leadLoss } from './leads.ts';
import { highestVolts, uncounted, type PowerSubject } from './subject.ts';

/** Drop in the power lead at the controller's limit, % of the pack's volts. Common practice, no source. */
export const DROP_FINE_PCT = 2;
export const DROP_LOOK_PCT = 5;

/** Volts lost out and back at the controller's limit, as a share of the pack's. */
export function leadDrop({ build, known, chain }: PowerSubject): Check {
  const { cabling, packs } = known;
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
    value: (100 * volts) / packs[0].nominalV.value,
    unit: '%',
    sense: 'most',
    fine: DROP_FINE_PCT,
    look: DROP_LOOK_PCT,
    limit: ['at most ', qty(DROP_FINE_PCT, '%', 0)],
    why: [qty(volts, 'V', 2), ' out and back at ', qty(chain.battery.peakA, 'A'), '.'],
    remedy: ['Shorten the lead or take a thicker one.'],
    origin: 'common practice',
    source: 'Ohm’s law with the resistivity of IEC 60028 at 40 °C',
    inputs: [cabling.leadMm, cabling.leadMm2, ...unlabelled(known), ...(chain.battery.open?.unknown ?? [])],
  });
}

/** A fuse or breaker: that there is one, between what the hill takes and what the lead carries, and for direct current. */
export function fuseChecks({ build, known, chain }: PowerSubject): readonly Check[] {
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
  const air = Math.max(WARM_AIR_C, brief.temperatureC.value);
  const carried = (insulationC: number): number =>
    leadAmps(build.cabling.conductor, cabling.leadMm2.value, insulationC, air);
  const carries = carried(cabling.insulationC.value);
  const full = highestVolts(build, known);
  const insulation = couldTurn(cabling.insulationC, (celsius) => cabling.fuseA.value <= carried(celsius));
  const { battery } = chain;
  const fuseA = cabling.fuseA.value;
  const hill = [
    ...(battery.open?.unknown ?? []),
    ...hillTurning({ continuousA: fuseA, peakA: Infinity }, battery),
  ];
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
      limitFrom: [cabling.leadMm2, ...insulation],
      why: ['The fuse has to open before the lead burns.'],
      remedy: ['Take a thicker lead or a smaller fuse.'],
      origin: 'derived',
      source: 'heat balance of a lead in free air (McAdams 1954)',
      inputs: [cabling.fuseA, cabling.leadMm2, ...insulation],
    }),
    measured({
      id: 'fuse-above-hill',
      group: 'leads',
      title: 'Fuse above what the hill takes',
      value: cabling.fuseA.value,
      unit: 'A',
      sense: 'least',
      fine: battery.continuousA,
      look: battery.continuousA,
      limit: ['at least ', qty(battery.continuousA, 'A')],
      why: ['A smaller one opens on the hill.'],
      limitFrom: hill,
      remedy: ['Take the next size up that the lead still carries.'],
      origin: 'common practice',
      inputs: [cabling.fuseA, ...hill],
    }),
    breaksDirect(
      build,
      cabling.fuseV,
      full,
      uncounted({ build, known }, (volts) => volts <= cabling.fuseV.value),
    ),
  ];
}

/** A breaker made for alternating current only stops here, whatever volts it is made for. */
function breaksDirect(
  { cabling }: BuildDocument,
  fuseV: Known,
  full: number,
  cells: readonly Known[],
): Check {
  const base = {
    id: 'fuse-volts',
    group: 'leads' as const,
    title: 'Fuse breaks the pack’s direct current',
    limit: ['at least ', qty(full, 'V'), ', direct current'],
    why: ['A direct-current arc does not go out by itself: a rating for alternating current does not count.'],
    remedy: ['Take one with a direct-current rating above a full charge.'],
    origin: 'common practice' as const,
    inputs: [fuseV, ...cells],
    asked: [asked('direct or alternating current', cabling.breaks)],
  };
  return cabling.breaks === 'alternating'
    ? told({ ...base, state: 'stop', words: 'alternating current only' })
    : measured({ ...base, value: fuseV.value, unit: 'V', sense: 'least', fine: full, look: full });
}

/** What a bare plug lets into the controller's capacitors from a full pack of `volts`. */
export const firstTouch = (known: KnownBuild, machine: Machine, volts: number): Inrush =>
  inrush(volts, supplyAt(machine.pack, 1).ohm, known.controller.capacitorUf.value);

/** Above this many volts a bare plug sparks enough to pit it. Common practice. */
const SPARK_V = 48;

/** Whether something softens the rush into the capacitors where the volts ask for it. */
export function inrushCheck({ build, known, machine }: PowerSubject): Check {
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
