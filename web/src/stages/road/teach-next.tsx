import { useMemo } from 'react';
import { RIDE_KIND_NAMES, asRound, evenHill } from '@apple-cart/core';
import { useRoute } from '../../state/routes.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { useStudy } from '../../work/use-study.ts';
import { FieldGroup } from '../../fields/field-group.tsx';
import { RideMark } from './ride-marks.tsx';
import { useHowRidden } from './teaches.ts';
import { StandsIn } from '../parts/stands-in.tsx';
import type { Road } from './use-road.ts';

const LEVEL = { ...evenHill('Level road', 2500, 0), andBack: true };

/** Which ride would narrow the range most, and by how much. */
export function TeachNext({ road }: { road: Road }) {
  const { document, rides } = road;
  const shown = useQuantity();
  const howRidden = useHowRidden();
  const route = useRoute(document.brief.rangeRoute);
  const named = route.state === 'there' ? route.stored.document : undefined;
  const reading = route.state === 'reading';
  const kinds = rides
    .map((r) => r.ride.kind)
    .sort()
    .join();
  const input = useMemo(
    () =>
      reading
        ? undefined
        : { build: document, route: asRound(named ?? LEVEL), done: rides.map((r) => r.ride.kind) },
    // The kinds that were ridden, not the rides: what is learnt next does not hang on their names.
    // oxlint-disable-next-line react/exhaustive-deps
    [document, named, reading, kinds],
  );
  const { value, busy } = useStudy('teach', input);
  const [first, ...rest] = value ?? [];
  return (
    <FieldGroup title="What would teach most next" note="narrows the range">
      <div data-testid="teach-next" aria-busy={busy}>
        {value === undefined && (
          <p role="status" className="py-2 text-[13.5px] text-ink2">
            Being worked out…
          </p>
        )}
        {value !== undefined && first === undefined && (
          <p className="py-2 text-[13.5px] text-ink2">
            No ride would narrow the range by much: what is left is wind, load and the rider.
          </p>
        )}
        {first !== undefined && (
          <p className="flex gap-2 border-b border-hair py-2 text-[14px] leading-snug">
            <span className="pt-0.5">
              <RideMark kind={first.kind} />
            </span>
            <span>
              <b className="head font-semibold">{RIDE_KIND_NAMES[first.kind]}.</b> {howRidden(first.kind)} The
              range’s band of {shown(first.bandKm, 'km', 0).text} {shown(1, 'km', 0).unit} would be{' '}
              {shown(first.thenKm, 'km', 0).text}.
            </span>
          </p>
        )}
        {value !== undefined && <StandsIn figure="range" />}
        {rest.map((one) => (
          <p key={one.kind} className="flex items-center gap-2 border-b border-hair py-1 text-[13.5px]">
            <RideMark kind={one.kind} size={15} /> {RIDE_KIND_NAMES[one.kind]}
            <span className="num ml-auto">
              to {shown(one.thenKm, 'km', 0).text} {shown(1, 'km', 0).unit}
            </span>
          </p>
        ))}
      </div>
    </FieldGroup>
  );
}
