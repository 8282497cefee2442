import { ridesOf, trulyRidden, upkeepOf, type BuildDocument } from '@apple-cart/core';
import { ofKind, useRecords } from '../state/records.ts';
import { today } from '../state/today.ts';
import { StateMark } from '../ui/state-mark.tsx';

/** What is due by the km and the days of its rides; nothing where nothing is. */
export function UpkeepDue({ id, document }: { readonly id: string; readonly document: BuildDocument }) {
  const { records } = useRecords(id);
  const rides = trulyRidden(ridesOf(records));
  if (rides.length === 0) return null;
  const done = ofKind(records, 'upkeep').map((u) => u.data);
  const due = upkeepOf(document, rides, done, today()).rows.filter((r) => r.state === 'due');
  const [first, ...more] = due;
  if (first === undefined) return null;
  return (
    <p
      className="flex items-center gap-2.5 border-b border-rule py-1.5 text-[13.5px]"
      data-testid="upkeep-due"
    >
      <StateMark state="look" size={15} />
      <span className="truncate">
        Due: {first.task.name.toLowerCase()}
        {more.length > 0 && ` and ${String(more.length)} more`}
      </span>
    </p>
  );
}
