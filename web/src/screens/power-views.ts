import type { QuantityPath } from '@apple-cart/core';

/** Views of the power stage, in the order of the work. */
export const POWER_VIEWS = [
  { id: 'pack', name: 'Pack' },
  { id: 'current', name: 'Current chain' },
  { id: 'charge', name: 'Charging' },
  { id: 'second', name: 'Second pack' },
  { id: 'lights', name: 'Lights' },
  { id: 'steps', name: 'Volts or amps?' },
] as const;
export type PowerView = (typeof POWER_VIEWS)[number]['id'];

const SECTION_VIEW: Readonly<Record<string, PowerView>> = {
  cabling: 'current',
  charger: 'charge',
  second: 'second',
  supply: 'lights',
};

const OWN_VIEW: Partial<Record<QuantityPath, PowerView>> = {
  'pack.cellsContinuousA': 'current',
  'pack.cellsPeakA': 'current',
  'controller.ratedV': 'current',
  'controller.capacitorUf': 'current',
  'pack.maxChargeA': 'charge',
  'pack.chargeLimitPct': 'charge',
  'controller.regenA': 'charge',
};

/** The view on which a quantity of the power stage is entered. */
export const viewOf = (path: QuantityPath): PowerView =>
  OWN_VIEW[path] ?? SECTION_VIEW[path.split('.')[0] ?? ''] ?? 'pack';
