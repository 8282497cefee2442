import { useState } from 'react';
import {
  MOST_MONEY,
  causeOf,
  counted,
  faultsOf,
  fileName,
  firstOf,
  keptUpOf,
  kmADay,
  moneyText,
  trulyRidden,
  upkeepDiary,
  upkeepOf,
  type State,
  type Upkeep,
  type UpkeepRow,
} from '@apple-cart/core';
import { downloadText } from '../../files/download.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { dayShort, today } from '../../state/today.ts';
import { Link } from 'react-router';
import { useSettings } from '../../state/settings-store.ts';
import { useQuantity, useWay } from '../../state/use-quantity.ts';
import { FieldGroup, WorkedRow } from '../../fields/field-group.tsx';
import { Button } from '../../ui/button.tsx';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { WhoField } from '../parts/who-field.tsx';

import type { Road } from './use-road.ts';

const STATES: Readonly<Record<UpkeepRow['state'], State>> = {
  due: 'stop',
  soon: 'look',
  later: 'fine',
  unknown: 'unknown',
};

export const upkeepNow = (road: Road): Upkeep =>
  upkeepOf(
    road.document,
    trulyRidden(road.rides),
    road.upkeep.map((u) => u.data),
    today(),
  );

/** When a task is due, in words. */
function useDue(): (row: UpkeepRow) => string {
  const shown = useQuantity();
  return ({ leftKm, dueOn, leftDays, state }) => {
    if (state === 'unknown') return 'counts from the first ride';
    const { unit } = shown(1, 'km', 0);
    const far =
      leftKm === undefined
        ? ''
        : `${leftKm <= 0 ? 'over by' : 'in'} ${shown(Math.abs(leftKm), 'km', 0).text} ${unit}`;
    const days =
      dueOn === undefined || leftDays === undefined
        ? ''
        : firstOf([[leftDays <= 0, `since ${dayShort(dueOn, today())}`]], `by ${dayShort(dueOn, today())}`);
    return [far, days].filter((w) => w !== '').join(', or ');
  };
}

/** What it has cost since it is ridden, as far as that was written down. */
function KeptUpSoFar({ road, km }: { road: Road; km: number }) {
  const way = useWay();
  const { currency } = road.document.money;
  const kept = keptUpOf(
    currency,
    road.upkeep.map((u) => u.data),
    faultsOf(road.records.records).map(({ fault }) => fault),
    km,
  );
  const money = (sum: number): string => moneyText(sum, currency, 2);
  const [worst] = kept.again;
  return (
    <FieldGroup title="What it cost" note="as far as it was written down">
      <WorkedRow label="Upkeep" unit="">
        <span className="num">{money(kept.upkeep)}</span>
      </WorkedRow>
      <WorkedRow label="Faults cured" unit="">
        <span className="num">{money(kept.faults)}</span>
      </WorkedRow>
      <WorkedRow label={`For a hundred ${way.names.toLowerCase()}`} unit="" sum>
        <span className="num" data-testid="kept-up">
          {kept.perKm === undefined ? '?' : money((100 * kept.perKm) / way.scale)}
        </span>
      </WorkedRow>
      {(kept.unsaid > 0 || kept.elsewhere > 0) && (
        <p className="py-1 text-[12.5px] text-ink2">
          {[
            ...(kept.unsaid > 0 ? [`${counted(kept.unsaid, 'entry', 'entries')} without a cost`] : []),
            ...(kept.elsewhere > 0 ? [`${String(kept.elsewhere)} in another currency`] : []),
          ].join(', ')}
          : not in the sums.
        </p>
      )}
      {worst !== undefined && (
        <p
          className="flex gap-2 border-b border-hair py-1.5 text-[13.5px] leading-snug"
          data-testid="came-back"
        >
          <StateMark state="look" size={15} />
          <span>
            {causeOf(worst.cause)?.name ?? 'Something else'}: cured {worst.times} times, {money(worst.sum)} in
            all. One better part may cost less than the next cure: see{' '}
            <Link to="../change" className="text-slate underline max-bench:py-3">
              Change
            </Link>
            .
          </span>
        </p>
      )}
    </FieldGroup>
  );
}

export function UpkeepInputs({ road }: { road: Road }) {
  const upkeep = upkeepNow(road);
  const shown = useQuantity();
  const system = useSettings((state) => state.units);
  const due = upkeep.rows.filter((r) => r.state === 'due').length;
  const pace = kmADay(trulyRidden(road.rides), today());
  return (
    <>
      <FieldGroup title="So far" note="by the rides that are written down">
        <p className="py-2 text-[15px] leading-snug">
          {upkeep.since === undefined
            ? 'Nothing ridden yet: distances and days count from the first ride.'
            : `${shown(upkeep.km, 'km', 0).text} ${shown(1, 'km', 0).unit} since ${dayShort(upkeep.since, today())}; ${shown(pace, 'km', 1).text} ${shown(1, 'km', 0).unit} a day of late. ${due === 0 ? 'Nothing is due.' : `${String(due)} due.`}`}
        </p>
      </FieldGroup>
      <KeptUpSoFar road={road} km={upkeep.km} />
      <div className="py-2">
        <WhoField />
      </div>
      <Button
        disabled={upkeep.since === undefined}
        data-testid="upkeep-diary"
        onClick={() => {
          const { name } = road.document;
          downloadText(
            fileName(`${name} upkeep`, 'ics'),
            upkeepDiary(name, road.build, upkeep, pace, today(), system),
            'text/calendar',
          );
        }}
      >
        Save as a calendar (iCalendar)
      </Button>
      <OutboxNotice build={road.build} broken={0} />
    </>
  );
}

/** Everything to look after, what is due first. */
export function UpkeepPicture({ road }: { road: Road }) {
  const upkeep = upkeepNow(road);
  const { who, remember } = usePeople();
  const dueWords = useDue();
  const shown = useQuantity();
  const [trouble, setTrouble] = useState('');
  const order: readonly UpkeepRow['state'][] = ['due', 'soon', 'later', 'unknown'];
  const rows = [...upkeep.rows].sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state));
  const { currency } = road.document.money;
  const [costs, setCosts] = useState<Readonly<Record<string, number | null>>>({});
  const done = ({ task: { key } }: UpkeepRow): void => {
    const cost = costs[key] ?? null;
    remember(who);
    keepRecord(road.build, 'upkeep', null, {
      task: key,
      on: today(),
      km: Number(upkeep.km.toFixed(1)),
      note: '',
      paid: cost === null ? null : { sum: cost, currency },
      who: who.trim(),
    }).then(
      () => {
        setCosts((now) => ({ ...now, [key]: null }));
      },
      () => {
        setTrouble('This browser could not keep it.');
      },
    );
  };
  const due = upkeep.rows.filter((r) => r.state === 'due').length;
  return (
    <section aria-label="Upkeep" data-testid="upkeep">
      <PanelHead
        title={due === 0 ? 'Nothing is due' : `${String(due)} ${due === 1 ? 'thing is' : 'things are'} due`}
        note={`${String(rows.length)} to look after`}
      />
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      <ul>
        {rows.map((row) => (
          <li
            key={row.task.key}
            data-task={row.task.key}
            data-state={row.state}
            className="grid grid-cols-[20px_minmax(0,1fr)_auto] items-start gap-x-2 border-b border-hair py-1.5"
          >
            <span className="pt-0.5">
              <StateMark state={STATES[row.state]} size={15} />
            </span>
            <span className="leading-snug">
              <b className="head text-[15px] font-semibold">{row.task.name}</b>{' '}
              <span className="text-[13.5px]">{dueWords(row)}</span>
              <span className="block text-[13.5px] text-ink2">{row.task.how}</span>
              <span className="block text-[12px] text-ink3">
                {row.last === undefined
                  ? `not done yet; ${row.task.why}`
                  : `done ${dayShort(row.last.on, today())} at ${shown(row.last.km, 'km', 0).text} ${shown(1, 'km', 0).unit} by ${row.last.who}; ${row.task.why}`}
              </span>
            </span>
            <span className="grid w-28 gap-1">
              <Button
                kind="quiet"
                disabled={who.trim() === ''}
                onClick={() => {
                  done(row);
                }}
              >
                Done today
              </Button>
              <span className="flex items-center gap-1 text-[12.5px] text-ink2">
                {currency}
                <NumberCell
                  key={`${row.task.key} ${String(costs[row.task.key] === null)}`}
                  label={`What it cost: ${row.task.name}`}
                  value={costs[row.task.key] ?? null}
                  most={MOST_MONEY}
                  placeholder="cost"
                  onChange={(cost) => {
                    setCosts((now) => ({ ...now, [row.task.key]: cost }));
                  }}
                />
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
