import type { LineGroup } from '@apple-cart/core';

/** Groups of the parts list in words. */
export const GROUP_NAMES: Readonly<Record<LineGroup, string>> = {
  drive: 'Drive',
  power: 'Power',
  fitting: 'Fitting parts',
  wiring: 'Wire and plugs',
  controls: 'Controls and lights',
  wheels: 'Brakes and wheels',
  consumables: 'Consumables',
  tools: 'Tools this job needs',
};
