import type { BuildDocument } from './document.ts';

/** By what a hand opens the lead of the packs: a pull-plug or main switch, a breaker, or its plug. */
export type LeadOpens = 'switch' | 'breaker' | 'plug';

/** A fuse opens by itself: where nothing else is fitted the lead is opened at its plug. */
export function leadOpens({ cabling: { passes, protection } }: BuildDocument): LeadOpens {
  if (passes.includes('pull-plug')) return 'switch';
  return protection === 'breaker' ? 'breaker' : 'plug';
}
