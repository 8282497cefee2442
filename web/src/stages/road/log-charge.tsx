import { useState } from 'react';
import { formatNumber, type ChargeRecord } from '@apple-cart/core';
import { keepRecord } from '../../state/records.ts';
import { usePeople } from '../../state/people.ts';
import { today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { FieldGroup } from '../../fields/field-group.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { useMeter } from '../parts/use-meter.ts';
import { WhoField } from '../parts/who-field.tsx';
import type { Road } from './use-road.ts';

const FIELDS = [
  ['voltsBefore', 'Volts before, at rest', 'V'],
  ['voltsAfter', 'Volts after, at rest', 'V'],
  ['chargeAh', 'Put in', 'Ah'],
  ['energyWh', 'Put in', 'Wh'],
  ['hours', 'It took', 'h'],
  ['untilPct', 'Stopped at', '%'],
  ['lowestV', 'Lowest group, at rest', 'V'],
  ['highestV', 'Highest group, at rest', 'V'],
] as const satisfies readonly (readonly [keyof ChargeRecord, string, string])[];
type FieldId = (typeof FIELDS)[number][0];

const LIMITS: Readonly<Record<FieldId, readonly [number, number]>> = {
  voltsBefore: [5, 150],
  voltsAfter: [5, 150],
  chargeAh: [0, 2000],
  energyWh: [0, 100_000],
  hours: [0, 72],
  untilPct: [1, 100],
  lowestV: [0, 20],
  highestV: [0, 20],
};

function numberIn(id: FieldId, text: string | undefined): number | null | undefined {
  const plain = (text ?? '').trim().replace(',', '.');
  if (plain === '') return null;
  const value = Number(plain);
  const [low, high] = LIMITS[id];
  return Number.isFinite(value) && value >= low && value <= high ? value : undefined;
}

/** One time at the charger, written down. */
export function LogCharge({ road, pack }: { road: Road; pack: number }) {
  const { who, remember } = usePeople();
  const [typed, setTyped] = useState<Partial<Record<FieldId, string>>>({});
  const [on, setOn] = useState(today);
  const [simulated, setSimulated] = useState(false);
  const meter = useMeter(road.build, `pack/groups${pack === 0 ? '' : `-${String(pack + 1)}`}`, (volts) => {
    setSimulated(true);
    setTyped((now) => ({
      ...now,
      lowestV: Math.min(...volts).toFixed(3),
      highestV: Math.max(...volts).toFixed(3),
    }));
  });
  const [trouble, setTrouble] = useState('');
  const values = FIELDS.map(([id]) => [id, numberIn(id, typed[id])] as const);
  const wrong = values.some(([, v]) => v === undefined);
  const empty = values.every(([, v]) => v === null);
  const keep = (): void => {
    remember(who);
    const readings = Object.fromEntries(values.map(([id, v]) => [id, v ?? null])) as Record<
      FieldId,
      number | null
    >;
    keepRecord(road.build, 'charge', null, {
      on,
      pack,
      ...readings,
      note: '',
      who: who.trim(),
      simulated,
    }).then(
      () => {
        setTyped({});
        setSimulated(false);
        setTrouble('');
      },
      () => {
        setTrouble('This browser could not keep it. What is typed stays here.');
      },
    );
  };
  return (
    <form
      aria-label="Write a charge down"
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong && !empty && who.trim() !== '') keep();
      }}
    >
      <FieldGroup title="At the charger" note="what was read; the rest stays empty">
        <label className="grid min-h-9 grid-cols-[minmax(0,1fr)_140px] items-center border-b border-hair text-[14px] max-bench:min-h-11">
          Day
          <input
            type="date"
            className="h-8 border-b border-ink3 bg-field px-1 max-bench:h-11"
            value={on}
            onChange={(event) => {
              if (event.target.value !== '') setOn(event.target.value);
            }}
          />
        </label>
        {FIELDS.map(([id, name, unit]) => (
          <label
            key={id}
            className="grid min-h-9 grid-cols-[minmax(0,1fr)_96px_36px] items-center border-b border-hair text-[14px] max-bench:min-h-11"
          >
            {name}
            <input
              inputMode="decimal"
              autoComplete="off"
              data-charge={id}
              aria-invalid={numberIn(id, typed[id]) === undefined}
              value={typed[id] ?? ''}
              className={`num h-8 w-full bg-field px-2 text-right text-[15px] max-bench:h-11 ${numberIn(id, typed[id]) === undefined ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
              onChange={(event) => {
                if (id === 'lowestV' || id === 'highestV') setSimulated(false);
                setTyped({ ...typed, [id]: event.target.value });
              }}
            />
            <span className="pl-1 text-[12.5px] text-ink3">{unit}</span>
            {numberIn(id, typed[id]) === undefined && (
              <span role="alert" className="col-span-3 pb-1 text-[12.5px] text-stop">
                A number from {LIMITS[id].map((limit) => formatNumber(limit, 0)).join(' to ')}.
              </span>
            )}
          </label>
        ))}
      </FieldGroup>
      <p className="flex items-center gap-3 py-2 text-[13px] text-ink2">
        <Button aria-pressed={meter.live} onClick={meter.live ? meter.stop : meter.start}>
          {meter.live ? 'Hold the groups' : 'Take the groups from the monitor'}
        </Button>
        <span role="status">{meter.trouble === '' ? 'The monitor is simulated.' : meter.trouble}</span>
      </p>
      <div className="py-2">
        <WhoField />
      </div>
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      <Button
        type="submit"
        kind="go"
        disabled={wrong || empty || who.trim() === ''}
        data-testid="keep-charge"
      >
        Keep the charge
      </Button>
      <OutboxNotice build={road.build} broken={0} />
    </form>
  );
}
