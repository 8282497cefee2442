import type { Standing, Stood } from '@apple-cart/core';

/** Figures as they are written down beside a trial. */
export const stoodOf = ({ hillKmh, topKmh, plannedKm, hottestC, massKg, className }: Standing): Stood => ({
  hillKmh: hillKmh ?? null,
  topKmh: topKmh ?? null,
  rangeLowKm: plannedKm?.low ?? null,
  rangeHighKm: plannedKm?.high ?? null,
  hottestC: hottestC ?? null,
  massKg,
  className,
});
