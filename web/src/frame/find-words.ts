import { specAt, termOf, type QuantityPath, type StageId, type Unit } from '@apple-cart/core';

/** What people call a quantity of a unit. */
const UNIT_WORDS: Partial<Record<Unit, string>> = {
  kg: 'weight mass weighs heavy',
  A: 'amps current',
  Ah: 'amp hours capacity',
  V: 'volts voltage',
  W: 'watts power',
  'km/h': 'speed fast',
  km: 'distance miles',
  mm: 'size width length',
  C: 'temperature heat hot',
  '%': 'percent',
};

/** All words by which a field is found: its label, what the trade calls it, and its unit's. */
export function fieldWords(path: QuantityPath): string {
  const { label, unit } = specAt(path);
  const term = termOf(path);
  return [label, term?.name ?? '', ...(term?.also ?? []), UNIT_WORDS[unit] ?? '', path].join(' ');
}

/** Choices that are no quantities, by the stage at which they are made. */
export const CHOICE_WORDS: readonly {
  readonly name: string;
  readonly also: string;
  readonly at: StageId;
}[] = [
  { name: 'Throttle', also: 'thumb twist grip walk help hand', at: 'drive' },
  { name: 'Pedal sensor', also: 'assist sensor cadence torque PAS', at: 'drive' },
  { name: 'Kind of motor', also: 'hub mid-drive direct geared external outrunner', at: 'drive' },
  { name: 'Gears and cogs', also: 'cassette sprockets hub gear', at: 'drive' },
  { name: 'Style of the bicycle', also: 'frame trike tandem folding recumbent longtail', at: 'donor' },
  { name: 'Brakes', also: 'disc rim drum coaster levers', at: 'donor' },
  { name: 'Fork and frame material', also: 'steel aluminium carbon titanium magnesium', at: 'donor' },
  { name: 'Wheel size', also: 'tyre rim 700C 26 in 20 in', at: 'donor' },
  { name: 'Trailer', also: 'tow child', at: 'brief' },
  { name: 'Currency and budget', also: 'money price cost', at: 'brief' },
  { name: 'Place and law', also: 'country state legal class jurisdiction', at: 'brief' },
  { name: 'Chemistry of the pack', also: 'lithium lead-acid LFP cells', at: 'power' },
  { name: 'Connectors, fuse and leads', also: 'plug wire cable breaker', at: 'power' },
  { name: 'Charger', also: 'charging mains', at: 'power' },
  { name: 'Profiles and ways around the limit', also: 'unlock off-road private land derestrict', at: 'law' },
];

/** What people look for at a view, by stage and view. */
export const VIEW_WORDS: Readonly<Record<string, string>> = {
  'power/pack': 'cells series parallel layout voltage capacity',
  'power/current': 'weakest link fuse plug protection bms',
  'power/charge': 'charger hours partial charging card',
  'power/packs': 'second battery two packs dual switch diodes',
  'power/lights': 'lamps accessories converter horn',
  'power/steps': '48 52 volts more amps upgrade',
  'law/clauses': 'rules why class legal',
  'law/fit': 'make legal comply settings',
  'law/places': 'countries states abroad travel',
  'law/curves': 'assist fade power speed',
  'law/duties': 'helmet age insurance plate label tricks',
  'hill/grade': 'climb steep slope',
  'hill/ride': 'climb accelerate run up',
  'hill/heat': 'overheat temperature minutes winding',
  'hill/gears': 'cog chainring sprocket',
  'hill/map': 'limit what binds',
  'range/speed': 'energy consumption watt hours',
  'range/levels': 'eco sport assist level',
  'range/road': 'route commute trip',
  'range/band': 'uncertainty spread risk',
  'range/home': 'return turn back empty',
  'range/energy': 'losses where air rolling',
  'wire/pins': 'pinout colours plug face',
  'wire/diagram': 'wiring harness schematic',
  'wire/schedule': 'cables lengths cut list labels',
  'wire/bicycle': 'routing cable run',
  'wire/find': 'unknown pin wires meter throttle',
  'wire/phases': 'hall phase order reverse six combinations',
  'wire/left-over': 'spare plug cruise reverse speed limit wire learning white wires',
  'buy/list': 'parts shopping order price',
  'buy/when': 'calendar schedule days ready critical',
  'buy/ready': 'ready-made bought bicycle worth',
  'buy/running': 'cost per km pays off',
  'bench/step': 'test check hold point tablet',
  'bench/run': 'test list passed failed waived',
  'bench/tools': 'meter simulated share tablet',
  'bench/handover': 'sign customer sheet',
  'setup/settings': 'controller display parameters read back',
  'setup/levels': 'assist levels pas',
  'setup/speed': 'speedometer wrong wheel size magnets',
  'setup/cutoffs': 'gauge bars percent low voltage',
  'road/rides': 'log ride recording gpx csv gauge bars stops',
  'road/learn': 'fit calibrate measured values',
  'road/battery': 'charge book health capacity resistance',
  'road/upkeep': 'service maintenance spokes brakes due',
  'road/faults': 'fault trouble diagnose broken cuts out dead jerks noise repair',
  'change/gain': 'upgrade step worth money better',
  'change/search': 'which motor battery best shelf',
  'change/compare': 'builds next to each other versus',
  'change/moves': 'sensitivity tornado',
  'change/history': 'changed tried rejected undone',
};

/** Other words that find a printed page, by its address. */
export const PRINT_WORDS: Readonly<Record<string, string>> = {
  'measure-sheet': 'blank caliper',
  'charge-card': 'pocket resting volts',
  'class-sheet': 'label',
  'customer-page': 'offer quote',
  'cable-schedule': 'wiring pins labels',
  plan: 'calendar when',
  'shopping-list': 'parts',
  'hand-over': 'sign bench run',
  'settings-card': 'controller display',
  'road-book': 'rides upkeep log',
  'ride-sheet': 'one test report',
  comparison: 'side by side customer',
};
