import { firstOf } from '../../quantity/first-of.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { dayAfter, daysBetween, isDay } from './days.ts';

/** Rows that come together: of one supplier, ordered or to be ordered on one day, and as long on their way. */
export interface Parcel {
  readonly id: string;
  readonly rows: readonly Row[];
  readonly supplier: string;
  readonly ordered: boolean;
  /** The day of the order; of one that is not ordered yet, the day that the plan begins. */
  readonly orderDay: string;
  /** Days on its way, as entered or promised, else as the shelf guesses; undefined where nobody knows. */
  readonly days: { readonly least: number; readonly most: number } | undefined;
  readonly daysFrom: 'entered' | 'shelf' | 'unknown';
  readonly overdue: boolean;
}

type OneRow = Omit<Parcel, 'id' | 'rows'>;

/** How one row comes; undefined for what is there, and for what is not bought by itself. */
function comesAs(row: Row, today: string): OneRow | undefined {
  if (row.broughtBy !== undefined || (row.state !== 'needed' && row.state !== 'ordered')) return undefined;
  const { said } = row;
  const ordered = row.state === 'ordered';
  const orderDay = ordered && isDay(said.orderedOn) ? said.orderedOn : today;
  const guess = row.likely?.days;
  const entered = said.leadDays === null ? undefined : { least: said.leadDays, most: said.leadDays };
  const promised =
    ordered && isDay(said.expectedOn)
      ? { least: daysBetween(orderDay, said.expectedOn), most: daysBetween(orderDay, said.expectedOn) }
      : undefined;
  const known = promised ?? entered;
  const days = known ?? guess;
  const late = ordered && known !== undefined && daysBetween(today, dayAfter(orderDay, known.most)) < 0;
  return {
    supplier: said.supplier.trim(),
    ordered,
    orderDay,
    // What should have come and has not is not here: it comes today at the earliest, and nobody knows when.
    days: late ? undefined : days,
    daysFrom: firstOf(
      [
        [late || days === undefined, 'unknown'],
        [known === undefined, 'shelf'],
      ],
      'entered',
    ),
    overdue: late,
  };
}

/**
 * What still comes, parcel by parcel.
 * @param today the day that the plan begins, ISO 8601
 */
export function parcelsOf(rows: readonly Row[], today: string): readonly Parcel[] {
  const parcels = new Map<string, Parcel>();
  for (const row of rows) {
    const one = comesAs(row, today);
    if (one === undefined) continue;
    const together = JSON.stringify([
      // Lines of one rule come from one place, wherever that is: the leads of a harness, both lamps.
      one.supplier === '' ? row.key.split('/')[0] : one.supplier,
      one.ordered,
      one.orderDay,
      one.days,
      one.overdue,
    ]);
    const known = parcels.get(together);
    parcels.set(together, { ...one, id: known?.id ?? row.key, rows: [...(known?.rows ?? []), row] });
  }
  return [...parcels.values()];
}
