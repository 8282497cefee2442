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
