import { useMemo, useState } from 'react';
import {
  formatNumber,
  headlineOf,
  shownUnit,
  convert,
  riddenLengthM,
  type Beside,
  type RideFigureId,
  type RideKept,
  type RideReading,
  type RideRecord,
} from '@apple-cart/core';
import { keepRecord } from '../../state/records.ts';
import { usePeople } from '../../state/people.ts';
import { useRideTyped, type RideTyped } from '../../state/ride-typed.ts';
import { useRoute } from '../../state/routes.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useSettled } from '../../state/use-settled.ts';
import { useStudy } from '../../work/use-study.ts';
import { Button } from '../../ui/button.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { WhoField } from '../parts/who-field.tsx';
import { ASKED, NOTHING_TYPED, readingOf, rideFrom, typedFrom } from './ride-fields.ts';
import { figureText, rideStands } from './ride-words.ts';
import { SpanBar } from './span-bar.tsx';
import { useHowRidden } from './teaches.ts';
import type { Road } from './use-road.ts';
import { WayForm } from './way-form.tsx';
import { hasWay, wayTroubles } from './way-fields.ts';
import { HowHelped, Kinds, Noticed, Reading, RoadChoice, TextRow, Weather } from './ride-form-fields.tsx';

/** Which figure of the plan stands beside a reading. */
const PLAN_OF: Readonly<Partial<Record<RideReading, RideFigureId>>> = {
  energyWh: 'energy',
  minutes: 'minutes',
  topKmh: 'top',
  hottestC: 'winding',
  voltsAfter: 'volts-after',
};

/** The verdict as it will be, at the foot of the sheet. */
function Verdict({ ride, beside, busy }: { ride: RideRecord; beside: Beside | undefined; busy: boolean }) {
  const system = useSettings((state) => state.units);
  const howRidden = useHowRidden();
  const told = beside === undefined ? undefined : { ...beside.told, planVersion: ride.planVersion };
  const figure = told === undefined ? undefined : headlineOf(ride.kind, told);
  if (ride.kind === 'coast-down')
    return (
      <p className="text-[14px] text-ink2">
        {howRidden('coast-down')} Bring in the recording; by a stopwatch it is worked out at Donor.
      </p>
    );
  if (told === undefined || figure === undefined)
    return (
      <p className="text-[14px] text-ink2" role="status">
        {busy ? 'The plan is being ridden…' : VERDICT_NEEDS[ride.kind]}
      </p>
    );
  const { state, title } = rideStands({ ride, told }, system);
  const [measured, plan] = [
    figureText(figure.id, figure.measured, system),
    figureText(figure.id, figure.plan, system),
  ];
  return (
    <div data-testid="ride-verdict" aria-busy={busy}>
      <p className="flex flex-wrap items-center gap-x-4 text-[13px] text-ink2">
        <span>
          plan <b className="num text-ink">{plan.text}</b>
        </span>
        <span>
          <b className="num text-ink">{measured.text}</b> {measured.unit} measured
        </span>
        <SpanBar figure={figure} />
      </p>
      <p className="head flex items-center gap-2 pt-1 text-[17px] font-bold">
        <StateMark state={state} size={16} /> {title}
      </p>
    </div>
  );
}

const VERDICT_NEEDS = {
  everyday: 'A road, distance and energy make the verdict.',
  range: 'A road, distance and energy make the verdict; volts before and after tell the capacity.',
  hill: 'A hill and the time to its top make the verdict.',
  'top-speed': 'The top speed makes the verdict.',
  heat: 'A hill and the hottest winding make the verdict.',
  'coast-down': '',
} as const;

interface Props {
  readonly road: Road;
  /** The ride that is put right; undefined for a new one. */
  readonly corrects: RideKept | undefined;
  readonly onDone: (key: string | undefined) => void;
}

/** What is typed of a ride, what the plan says of it meanwhile, and keeping it. */
function useRideForm({ road, corrects, onDone }: Props) {
  const system = useSettings((state) => state.units);
  const { who, remember } = usePeople();
  const [trouble, setTrouble] = useState('');
  const store = `${road.build} ${corrects?.key ?? 'new'}`;
  const kept = useRideTyped((state) => state.typed[store]);
  const { set, clear } = useRideTyped.getState();
  const usual = useMemo(
    () => (corrects === undefined ? NOTHING_TYPED() : typedFrom(corrects.ride, system)),
    [corrects, system],
  );
  // What was begun before a field was asked for has none of it.
  const typed = useMemo(() => ({ ...usual, ...kept }), [usual, kept]);
  const change = (more: Partial<RideTyped>): void => {
    set(store, { ...typed, ...more });
  };
  const ride = useMemo(
    () =>
      rideFrom(
        typed,
        {
          planVersion: corrects?.ride.planVersion ?? road.planVersion,
          who: who.trim(),
          corrects: corrects?.key ?? null,
          was: corrects?.ride,
        },
        system,
      ),
    [typed, corrects, road.planVersion, who, system],
  );
  const settled = useSettled(ride, 500);
  const route = useRoute(typed.route);
  const named = route.state === 'there' ? route.stored.document : undefined;
  const input = useMemo(
    () => ({ build: road.document, ride: settled, route: named, recording: undefined }),
    [road.document, settled, named],
  );
  const { value: beside, busy } = useStudy('beside', input);
  const stops = wayTroubles(typed, readingOf('distanceKm', typed.readings.distanceKm, system), system);
  const wrong =
    stops.gauge !== undefined ||
    stops.stops.some((trouble) => trouble !== undefined) ||
    Object.entries(typed.readings).some(
      ([id, text]) => readingOf(id as RideReading, text, system) === undefined,
    );
  const write = (): void => {
    remember(who);
    keepRecord(road.build, 'ride', null, ride).then(
      (key) => {
        clear(store);
        onDone(key);
      },
      () => {
        setTrouble(
          'This browser could not keep it: its storage is full or switched off. What is typed stays here.',
        );
      },
    );
  };
  const planText = (id: RideReading): string => {
    if (id === 'distanceKm' && named !== undefined)
      return formatNumber(convert(riddenLengthM(named) / 1000, 'km', shownUnit('km', system)), 1);
    const figure = PLAN_OF[id];
    const value = figure === undefined ? undefined : beside?.plan[figure];
    return figure === undefined || value === undefined ? '' : figureText(figure, value, system).text;
  };
  return { typed, change, settled, beside, busy, wrong, write, planText, trouble, who };
}

/** A ride typed by hand: kept in this browser at once, and sent when the server is reached. */
export function LogRide(props: Props) {
  const { typed, change, settled, beside, busy, wrong, write, planText, trouble, who } = useRideForm(props);
  const { road, corrects, onDone } = props;
  const howRidden = useHowRidden();
  return (
    <form
      aria-label="Log a ride"
      data-testid="log-ride"
      onSubmit={(event) => {
        event.preventDefault();
        if (!wrong && who.trim() !== '') write();
      }}
    >
      <div className="flex items-center justify-between pt-1">
        <h2 className="head text-[17px]">{corrects === undefined ? 'Log a ride' : 'Put the ride right'}</h2>
        <TextButton
          onClick={() => {
            onDone(undefined);
          }}
        >
          {road.rides.length === 1 ? 'The ride' : `All ${String(road.rides.length)} rides`}
        </TextButton>
      </div>
      <Kinds typed={typed} change={change} />
      <p className="py-1 text-[13px] text-ink2">{howRidden(typed.kind)}</p>
      <div className="grid grid-cols-[minmax(0,1fr)_104px_44px_64px] items-end border-b-[1.5px] border-ink pb-1 text-[13px] font-semibold">
        <label className="font-normal">
          <span className="sr-only">Day</span>
          <input
            type="date"
            value={typed.on}
            className="h-9 border-b border-ink3 bg-field px-1 max-bench:h-11"
            onChange={(event) => {
              if (event.target.value !== '') change({ on: event.target.value });
            }}
          />
        </label>
        <span className="text-right">measured</span>
        <span />
        <span className="text-right">plan</span>
      </div>
      <RoadChoice typed={typed} change={change} />
      {ASKED[typed.kind].map((id) => (
        <Reading
          key={id}
          id={id}
          typed={typed}
          plan={planText(id)}
          onType={(text) => {
            change({ readings: { ...typed.readings, [id]: text } });
          }}
        />
      ))}
      {hasWay(typed.kind) && <WayForm typed={typed} change={change} />}
      {typed.kind !== 'coast-down' && <HowHelped typed={typed} change={change} build={road.document} />}
      <Weather typed={typed} change={change} />
      <TextRow
        label="Title"
        value={typed.title}
        most={80}
        onChange={(title) => {
          change({ title });
        }}
      />
      <TextRow
        label="Note"
        value={typed.note}
        most={1000}
        onChange={(note) => {
          change({ note });
        }}
      />
      <Noticed typed={typed} change={change} build={road.document} />
      <div className="py-2">
        <WhoField />
      </div>
      <div className="sticky bottom-0 z-10 border-t-2 border-ink bg-card px-2 py-2 max-bench:-bottom-8 max-bench:-mb-8 max-bench:pb-7">
        <Verdict ride={settled} beside={beside} busy={busy} />
        {trouble !== '' && (
          <p role="alert" className="text-stop">
            {trouble}
          </p>
        )}
        <div className="flex items-center gap-3 pt-1.5">
          <Button
            type="submit"
            kind="go"
            className="h-11!"
            disabled={wrong || who.trim() === ''}
            data-testid="keep-ride"
          >
            {corrects === undefined ? 'Keep the ride' : 'Put it right'}
          </Button>
          <span className="text-[12.5px] leading-tight text-ink2">
            {who.trim() === ''
              ? 'Who rode it?'
              : 'Kept in this browser at once; sent when the server is reached.'}
          </span>
        </div>
        <OutboxNotice build={road.build} broken={0} />
      </div>
    </form>
  );
}
