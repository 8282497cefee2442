import { counted, dayWords, withSaid, type PlannedParcel, type Row, type When } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { useBuild } from '../../state/build-store.ts';
import { parcelWords } from './parcel-words.ts';

/** So many are named. */
const FIRST = 3;

/** Least days in hand first, then what is longest on its way. */
const urgency = (a: PlannedParcel, b: PlannedParcel): number =>
  (a.daysInHand ?? 0) - (b.daysInHand ?? 0) || (b.parcel.days?.most ?? 0) - (a.parcel.days?.most ?? 0);

/** What is ordered first: bars of the days on their way, dotted tails of the days in hand. */
export function FirstToOrder({ when }: { when: When }) {
  const edit = useBuild((state) => state.edit);
  const open = when.parcels
    .filter((p) => !p.parcel.ordered && p.parcel.days !== undefined && p.parcel.days.most > 0)
    .sort(urgency);
  const shown = open.slice(0, FIRST);
  const days = (p: PlannedParcel): number => p.parcel.days?.most ?? 0;
  const longest = Math.max(1, ...shown.map((p) => days(p) + (p.daysInHand ?? 0)));
  const order = (rows: readonly Row[]) => () => {
    edit(
      (d) => rows.reduce((b, row) => withSaid(b, row, { state: 'ordered', orderedOn: today() }), d),
      'ordered',
    );
  };
  return (
    <FieldGroup title="First to order" note="the longest wait decides the day">
      {shown.map((p, i) => (
        <div key={p.parcel.id} className="border-b border-hair py-1.5">
          <div className="flex items-center gap-2.5">
            <b className="head text-[16px]">{i + 1}</b>
            <span className="min-w-0 flex-1 leading-snug">{parcelWords(p.parcel.rows)}</span>
            <span className="num text-[13.5px] whitespace-nowrap">{counted(days(p), 'day')}</span>
            <Button
              kind="quiet"
              className="no-print h-7! max-bench:h-11!"
              aria-label={`Ordered: ${parcelWords(p.parcel.rows)}`}
              onClick={order(p.parcel.rows)}
            >
              Ordered
            </Button>
          </div>
          <p className="flex items-center gap-1.5 pl-6 text-[12.5px] text-ink2">
            {p.decides && when.ride !== undefined ? (
              <>
                <StateMark state="look" size={13} /> decides the riding day: {dayWords(when.ride.latest)}
              </>
            ) : (
              `${counted(p.daysInHand ?? 0, 'day')} in hand`
            )}
            {p.parcel.daysFrom === 'shelf' && ', days by the shelf'}
          </p>
          <span className="mt-1 flex h-1.5" aria-hidden>
            <span
              className="block h-full bg-ink"
              style={{ width: `${String((100 * days(p)) / longest)}%` }}
            />
            <span
              className="block h-0.5 self-center border-t-2 border-dotted border-ink3"
              style={{ width: `${String((100 * (p.daysInHand ?? 0)) / longest)}%` }}
            />
          </span>
        </div>
      ))}
      {shown.length === 0 && (
        <p className="border-b border-hair py-1.5 text-[13px] text-ink2">
          {when.open.length > 0
            ? 'Type the days that each takes to come: the longest wait stands here.'
            : 'Nothing is waited for.'}
        </p>
      )}
      {when.open.length > 0 && (
        <p className="py-1 text-[12.5px] text-ink2">
          Of {when.open.length} {when.open.length === 1 ? 'line' : 'lines'} nobody knows the days: the riding
          day is not before what is told.
        </p>
      )}
    </FieldGroup>
  );
}
