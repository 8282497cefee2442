import { packIndexOf, stageOf, type QuantityPath } from '@apple-cart/core';
import { SCREENS } from './registry.ts';

// Apart from the screens: which stage owns what comes with all that judges the stages, and the first page needs none of it.

/** Where a quantity is entered, beneath the build's address: its stage, the view of it, and which pack. */
export function placeOf(path: QuantityPath): string {
  const stage = stageOf(path);
  const { views, viewOf } = SCREENS[stage];
  const view = viewOf?.(path);
  const pack = packIndexOf(path) ?? 0;
  const asked = [
    ...(view === undefined || view === views[0]?.id ? [] : [`view=${view}`]),
    ...(pack === 0 ? [] : [`pack=${String(pack + 1)}`]),
  ];
  return asked.length === 0 ? stage : `${stage}?${asked.join('&')}`;
}
