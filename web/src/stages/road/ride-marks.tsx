import { ArrowUpToLine, CircleDotDashed, Route, Thermometer, TrendingDown, TrendingUp } from 'lucide-react';
import { RIDE_KIND_NAMES, type RideKind } from '@apple-cart/core';

const MARKS = {
  everyday: CircleDotDashed,
  range: Route,
  hill: TrendingUp,
  'top-speed': ArrowUpToLine,
  heat: Thermometer,
  'coast-down': TrendingDown,
} as const;

/** The mark of a kind of ride; its word stands beside it. */
export function RideMark({
  kind,
  size = 18,
  labelled = false,
}: {
  kind: RideKind;
  size?: number;
  labelled?: boolean;
}) {
  const Mark = MARKS[kind];
  return labelled ? (
    <Mark size={size} strokeWidth={1.6} role="img" aria-label={RIDE_KIND_NAMES[kind]} />
  ) : (
    <Mark size={size} strokeWidth={1.6} aria-hidden />
  );
}
