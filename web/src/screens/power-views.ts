import { ofFirstPack, type QuantityPath } from '@apple-cart/core';

/** Views of the power stage, in the order of the work. */
export const POWER_VIEWS = [
  { id: 'pack', name: 'Pack' },
  { id: 'current', name: 'Current chain' },
  { id: 'charge', name: 'Charging' },
  { id: 'packs', name: 'Several packs' },
  { id: 'lights', name: 'Lights' },
  { id: 'steps', name: 'Volts or amps?' },
] as const;
export type PowerView = (typeof POWER_VIEWS)[number]['id'];

const SECTION_VIEW: Readonly<Record<string, PowerView>> = {
  cabling: 'current',
  joining: 'packs',
  supply: 'lights',
};

const OWN_VIEW: Partial<Record<QuantityPath, PowerView>> = {
  'packs.0.cellsContinuousA': 'current',
  'packs.0.cellsPeakA': 'current',
  'controller.ratedV': 'current',
  'controller.capacitorUf': 'current',
  'packs.0.maxChargeA': 'charge',
  'packs.0.chargeLimitPct': 'charge',
  'controller.regenA': 'charge',
};

/** The view on which a quantity of the power stage is entered; what holds of one pack holds of all. */
export function viewOf(path: QuantityPath): PowerView {
  const alike = ofFirstPack(path);
  if (alike.startsWith('packs.0.charger.')) return 'charge';
  return OWN_VIEW[alike] ?? SECTION_VIEW[path.split('.')[0] ?? ''] ?? 'pack';
}
