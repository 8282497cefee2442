import type { PartType } from '@apple-cart/core';

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
};

/** What the list shows of each type; everything else is in the part itself and in the comparison. */
export const LISTED: Readonly<Record<PartType, readonly string[]>> = {
  donor: ['style', 'beadMm', 'tyreMm', 'wheelbaseMm', 'rearOldMm', 'shellWidthMm', 'permittedKg', 'massKg'],
  motor: ['kind', 'ratedPowerW', 'kvRpmPerV', 'reduction', 'overLocknutMm', 'shellMaxMm', 'massKg'],
  ring: ['teeth', 'ringLineMm', 'massKg'],
  cogs: ['cogTeeth', 'hubRatios', 'massKg'],
  tyre: ['beadMm', 'tyreMm', 'crr', 'grip', 'gripWet', 'massKg'],
  pack: ['chemistry', 'nominalV', 'capacityAh', 'bmsCurrentA', 'boxLengthMm', 'massKg'],
  cell: ['chemistry', 'capacityAh', 'continuousA', 'resistanceMohm', 'widthMm', 'heightMm', 'massKg'],
  controller: ['batteryCurrentA', 'phaseCurrentA', 'lowVoltageCutoffV', 'ratedV', 'massKg'],
  charger: ['volts', 'currentA', 'efficiencyPct', 'massKg'],
  connector: ['connectorA', 'massKg'],
  wire: ['conductor', 'leadMm2', 'insulationC', 'massKg'],
};

/** Short heads for narrow columns. */
export const SHORT: Readonly<Record<string, string>> = {
  beadMm: 'Bead',
  tyreMm: 'Tyre',
  wheelbaseMm: 'Wheelbase',
  rearOldMm: 'Rear width',
  shellWidthMm: 'Shell',
  permittedKg: 'Permitted',
  massKg: 'Mass',
  ratedPowerW: 'Rated',
  kvRpmPerV: 'Kv',
  reduction: 'Reduction',
  overLocknutMm: 'Width',
  shellMaxMm: 'Shell to',
  ringLineMm: 'Outside shell',
  crr: 'Rolling',
  nominalV: 'Volts',
  capacityAh: 'Capacity',
  bmsCurrentA: 'Amps',
  boxLengthMm: 'Length',
  batteryCurrentA: 'Battery',
  phaseCurrentA: 'Phase',
  lowVoltageCutoffV: 'Cut-off',
  ratedV: 'Stands',
  continuousA: 'Continuous',
  resistanceMohm: 'Resistance',
  widthMm: 'Width',
  heightMm: 'Height',
  volts: 'Ends at',
  currentA: 'Amps',
  efficiencyPct: 'Efficiency',
  connectorA: 'Amps',
  leadMm2: 'Conductor',
  insulationC: 'Stands',
};
