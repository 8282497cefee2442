import {
  counted,
  phraseText,
  qty,
  type Part,
  type PartType,
  type Unit,
  type UnitSystem,
} from '@apple-cart/core';

/** Types of part in words, one and many. */
export const TYPE_NAMES: Readonly<Record<PartType, { readonly one: string; readonly many: string }>> = {
  donor: { one: 'donor', many: 'Donors' },
  motor: { one: 'motor', many: 'Motors' },
  ring: { one: 'ring', many: 'Rings' },
  cogs: { one: 'cog set', many: 'Cogs' },
  tyre: { one: 'tyre', many: 'Tyres' },
  pack: { one: 'pack', many: 'Packs' },
  cell: { one: 'cell', many: 'Cells' },
  controller: { one: 'controller', many: 'Controllers' },
  charger: { one: 'charger', many: 'Chargers' },
  connector: { one: 'plug', many: 'Plugs' },
  wire: { one: 'lead', many: 'Leads' },
  fitting: { one: 'small part', many: 'Small parts' },
  consumable: { one: 'consumable', many: 'Consumables' },
  tool: { one: 'tool', many: 'Tools' },
};

const KINDS = {
  'geared-hub': 'geared hub',
  'direct-drive-hub': 'direct-drive hub',
  'mid-drive': 'mid-drive',
  external: 'external',
} as const;

/** A part in one line; what the trade names by size (tyres, leads, cells) stays as it is. */
export function partFacts(part: Part, system: UnitSystem): string {
  const told = (value: number, unit: Unit): string => phraseText([qty(value, unit)], system);
  switch (part.type) {
    case 'motor':
      return `${KINDS[part.kind]}, ${String(part.ratedPowerW)} W rated, ${told(part.massKg, 'kg')}`;
    case 'pack':
      return `${String(part.cellsInSeries)} in series, ${String(Math.round(part.nominalV * part.capacityAh))} Wh, ${String(part.bmsCurrentA)} A`;
    case 'controller':
      return `${String(part.batteryCurrentA)} A battery, ${String(part.phaseCurrentA)} A phase`;
    case 'donor':
      return `${part.style}, ${String(part.tyreMm)}-${String(part.beadMm)}, ${told(part.massKg, 'kg')}`;
    case 'ring':
      return `${String(part.teeth)} teeth`;
    case 'cogs':
      return `${part.cogTeeth.join(' ')}${part.hubRatios.length > 0 ? `, ${String(part.hubRatios.length)} gears in the hub` : ''}`;
    case 'cell':
      return `${String(part.capacityAh)} Ah, ${String(part.continuousA)} A, ${String(part.widthMm)} by ${String(part.heightMm)} mm`;
    case 'charger':
      return `ends at ${String(part.volts)} V, ${String(part.currentA)} A`;
    case 'connector':
      return `${String(part.connectorA)} A continuous`;
    case 'wire':
      return `${part.conductor}, ${String(part.leadMm2)} mm², stands ${told(part.insulationC, 'C')}`;
    case 'fitting':
    case 'consumable':
    case 'tool':
      return part.leadDays === null ? part.maker : `${part.maker}, ${counted(part.leadDays, 'day')}`;
    case 'tyre':
      return `${String(part.tyreMm)}-${String(part.beadMm)}, rolling ${String(part.crr)}`;
  }
}
