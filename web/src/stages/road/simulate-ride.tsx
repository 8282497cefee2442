import { useEffect, useRef, useState } from 'react';
import {
  LOGGER_FAULTS,
  newRide,
  formatNumber,
  msToKmh,
  type LoggerFault,
  type RideRecord,
} from '@apple-cart/core';
import { api } from '../../state/api.ts';
import { logsHaveGrown } from '../../state/logs.ts';
import { newKey } from '../../state/new-key.ts';
import { usePeople } from '../../state/people.ts';
import { recordsHaveGrown } from '../../state/records.ts';
import { useRouteList } from '../../state/routes.ts';
import { today } from '../../state/today.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { WhoField } from '../parts/who-field.tsx';
import { WINDS } from './ride-fields.ts';
import { RouteOptions } from './route-options.tsx';
import type { Road } from './use-road.ts';

const FAULTS: Readonly<Record<LoggerFault, string>> = {
  none: 'none',
  gap: 'a stretch is missing',
  'wheel-stops': 'the wheel is counted by the motor alone',
  spike: 'one reading of the winding jumps',
};
const SELECT = 'h-9 w-full min-w-0 border-b border-ink3 bg-field px-2 max-bench:h-11';
const ROW = 'grid min-h-10 grid-cols-[96px_minmax(0,1fr)] items-center border-b border-hair text-[14.5px]';

/** What the stand-in tells while it rides. */
interface Live {
  readonly row: number;
  readonly rows: number;
  readonly seconds: number;
  readonly distance: number;
  readonly speed: number;
  readonly volts: number;
  readonly amps: number;
  readonly windingC: number;
}

interface How {
  readonly route: string;
  readonly windMs: number;
  readonly fault: LoggerFault;
  readonly seed: number;
  readonly airC: number;
}

/** A ride of the stand-in under way, and kept. */
function useSimulated(road: Road, how: How, onDone: (key: string) => void) {
  const { listed } = useRouteList();
  const { who, remember } = usePeople();
  const [live, setLive] = useState<Live>();
  const [trouble, setTrouble] = useState('');
  const events = useRef<EventSource>(undefined);
  const stop = (): void => {
    events.current?.close();
    events.current = undefined;
  };
  useEffect(() => stop, []);
  const ride = (): void => {
    stop();
    setTrouble('');
    setLive(undefined);
    const asked = Object.fromEntries(Object.entries(how).map(([key, value]) => [key, String(value)]));
    const source = new EventSource(api.instruments.rideLive(road.build, asked));
    events.current = source;
    source.onmessage = (event: MessageEvent<string>) => {
      setLive(JSON.parse(event.data) as Live);
    };
    source.addEventListener('end', stop);
    source.onerror = () => {
      stop();
      setTrouble('The simulated logger does not answer.');
    };
  };
  const keep = async (): Promise<void> => {
    remember(who);
    const key = newKey();
    const record: RideRecord = newRide({
      kind: 'everyday',
      on: today(),
      title: listed?.find((r) => r.id === how.route)?.summary.name ?? '',
      route: how.route,
      planVersion: road.planVersion,
      airC: how.airC,
      windMs: how.windMs,
      pedalled: 'yes',
      note: `simulated, seed ${String(how.seed)}`,
      who: who.trim(),
      simulated: true,
    });
    try {
      await api.instruments.keepRide(road.build, { key, ride: record, how });
      await Promise.all([logsHaveGrown(road.build), recordsHaveGrown(road.build)]);
      onDone(key);
    } catch (problem) {
      setTrouble(problem instanceof Error ? problem.message : 'It could not be kept.');
    }
  };
  return { live, trouble, ride, keep, who };
}

/** What chance and the day decide. */
function HowFields({ how, onChange }: { how: How; onChange: (how: How) => void }) {
  return (
    <>
      <label className={ROW}>
        Road
        <select
          className={SELECT}
          value={how.route}
          data-testid="simulate-route"
          onChange={(event) => {
            onChange({ ...how, route: event.target.value });
          }}
        >
          <RouteOptions none="choose one" />
        </select>
      </label>
      <label className={ROW}>
        Wind ahead
        <select
          className={SELECT}
          value={String(how.windMs)}
          onChange={(event) => {
            onChange({ ...how, windMs: Number(event.target.value) });
          }}
        >
          {WINDS.map((w) => (
            <option key={w.name} value={String(w.ms)}>
              {w.name}
            </option>
          ))}
        </select>
      </label>
      <label className={ROW}>
        Fault
        <select
          className={SELECT}
          value={how.fault}
          onChange={(event) => {
            onChange({ ...how, fault: event.target.value as LoggerFault });
          }}
        >
          {LOGGER_FAULTS.map((id) => (
            <option key={id} value={id}>
              {FAULTS[id]}
            </option>
          ))}
        </select>
      </label>
      <label className={ROW}>
        Seed
        <input
          type="number"
          className={SELECT}
          min={0}
          max={1_000_000}
          value={how.seed}
          onChange={(event) => {
            onChange({ ...how, seed: Math.max(0, Math.round(Number(event.target.value))) });
          }}
        />
      </label>
    </>
  );
}

/** What the stand-in tells while it rides, faster than the road. */
function LiveView({ live }: { live: Live }) {
  const shown = useQuantity();
  const cells = [
    ['Simulated', `${formatNumber((100 * live.row) / Math.max(1, live.rows - 1), 0)} %`],
    ['Way', `${shown(live.distance / 1000, 'km', 2).text} ${shown(1, 'km', 0).unit}`],
    ['Speed', `${shown(msToKmh(live.speed), 'km/h', 1).text} ${shown(1, 'km/h', 0).unit}`],
    ['Pack', `${formatNumber(live.volts, 1)} V, ${formatNumber(live.amps, 0)} A`],
    ['Winding', `${shown(live.windingC, 'C', 0).text} ${shown(1, 'C', 0).unit}`],
  ] as const;
  return (
    <dl
      className="grid grid-cols-5 gap-x-2 border-y border-ink py-2 text-[13px] max-tablet:grid-cols-2"
      role="status"
      data-testid="live"
    >
      {cells.map(([name, words]) => (
        <div key={name}>
          <dt className="text-ink2">{name}</dt>
          <dd className="num font-semibold">{words}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The build ridden over a road by a simulated logger, live, and kept as a ride that says so. */
export function SimulateRide({
  road,
  open,
  onClose,
  onDone,
}: {
  road: Road;
  open: boolean;
  onClose: () => void;
  onDone: (key: string) => void;
}) {
  const { rangeRoute, hillRoute } = road.document.brief;
  const [how, setHow] = useState<How>({
    route: rangeRoute === '' ? hillRoute : rangeRoute,
    windMs: 0,
    fault: 'none',
    seed: 1,
    airC: 15,
  });
  const { live, trouble, ride, keep, who } = useSimulated(road, how, onDone);
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Ride it now, simulated"
      description="A stand-in for a logger on board: it rides the plan as it is over a road, with noise and what is chosen here. Whatever it writes says that it is simulated."
    >
      <HowFields how={how} onChange={setHow} />
      <div className="py-2">
        <WhoField />
      </div>
      {live !== undefined && <LiveView live={live} />}
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2 pt-2">
        <Button disabled={how.route === ''} onClick={ride}>
          Ride it, live
        </Button>
        <Button
          kind="go"
          disabled={how.route === '' || who.trim() === ''}
          data-testid="keep-simulated"
          onClick={() => void keep()}
        >
          Keep the ride
        </Button>
      </div>
    </Dialog>
  );
}
