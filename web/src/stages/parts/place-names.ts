import type { PackPlace } from '@apple-cart/core';

/** Places of a frame in words. */
export const PLACE_NAMES: Readonly<Record<PackPlace, string>> = {
  'down-tube': 'on the down tube',
  'seat-tube': 'on the seat tube',
  'behind-seat-tube': 'behind the seat tube',
  'lateral-tube': 'on the lateral tube',
  'main-tube': 'on the main tube',
  'rear-rack': 'on a rear rack',
  deck: 'on the deck',
  'cargo-box': 'in the load box',
  'behind-seat': 'behind the seat',
  free: 'free in the frame',
};
