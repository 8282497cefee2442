import { useEffect, useRef, useState } from 'react';
import {
  LOGGER_FAULTS,
  NOTHING_READ,
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
  const { listed } = useRouteList();
  const shown = useQuantity();
  const { who, remember } = usePeople();
  const usual = road.document.brief.rangeRoute || road.document.brief.hillRoute;
  const [route, setRoute] = useState(usual);
  const [wind, setWind] = useState(0);
  const [fault, setFault] = useState<LoggerFault>('none');
  const [seed, setSeed] = useState(1);
  const [live, setLive] = useState<Live>();
  const [trouble, setTrouble] = useState('');
  const events = useRef<EventSource>(undefined);
  const how = {
    route,
    seed,
    windMs: wind,
    fault,
    airC: 15,
  };
  const stop = (): void => {
    events.current?.close();
    events.current = undefined;
  };
  useEffect(() => stop, []);
  const ride = (): void => {
    stop();
    setTrouble('');
    setLive(undefined);
    const source = new EventSource(
      api.instruments.rideLive(
        road.build,
        Object.fromEntries(Object.entries(how).map(([key, value]) => [key, String(value)])),
      ),
    );
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
    const name = listed?.find((r) => r.id === route)?.summary.name ?? '';
    const record: RideRecord = {
      kind: 'everyday',
      on: today(),
      title: name,
      route,
      planVersion: road.planVersion,
      ...NOTHING_READ,
      airC: how.airC,
      windMs: wind,
      ground: 'dry',
      pedalled: 'yes',
      note: `simulated, seed ${String(seed)}`,
      who: who.trim(),
      simulated: true,
      corrects: null,
      withdrawn: false,
    };
    try {
      await api.instruments.keepRide(road.build, { key, ride: record, how });
      await Promise.all([logsHaveGrown(road.build), recordsHaveGrown(road.build)]);
      onDone(key);
    } catch (problem) {
      setTrouble(problem instanceof Error ? problem.message : 'It could not be kept.');
    }
  };
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Ride it now, simulated"
      description="A stand-in for a logger on board: it rides the plan as it is over a road, with noise and what is chosen here. Whatever it writes says that it is simulated."
    >
      <label className={ROW}>
        Road
        <select
          className={SELECT}
          value={route}
          data-testid="simulate-route"
          onChange={(event) => {
            setRoute(event.target.value);
          }}
        >
          <option value="">choose one</option>
          {(listed ?? []).map(({ id, summary }) => (
            <option key={id} value={id}>
              {summary.name}
            </option>
          ))}
        </select>
      </label>
      <label className={ROW}>
        Wind ahead
        <select
          className={SELECT}
          value={String(wind)}
          onChange={(event) => {
            setWind(Number(event.target.value));
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
          value={fault}
          onChange={(event) => {
            setFault(event.target.value as LoggerFault);
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
          value={seed}
          onChange={(event) => {
            setSeed(Math.max(0, Math.round(Number(event.target.value))));
          }}
        />
      </label>
      <div className="py-2">
        <WhoField />
      </div>
      {live !== undefined && (
        <dl
          className="grid grid-cols-4 gap-x-2 border-y border-ink py-2 text-[13px]"
          role="status"
          data-testid="live"
        >
          {(
            [
              ['Simulated', `${formatNumber((100 * live.row) / Math.max(1, live.rows - 1), 0)} %`],
              ['Way', `${shown(live.distance / 1000, 'km', 2).text} ${shown(1, 'km', 0).unit}`],
              ['Speed', `${shown(msToKmh(live.speed), 'km/h', 1).text} ${shown(1, 'km/h', 0).unit}`],
              ['Pack', `${formatNumber(live.volts, 1)} V, ${formatNumber(live.amps, 0)} A`],
            ] as const
          ).map(([name, words]) => (
            <div key={name}>
              <dt className="text-ink2">{name}</dt>
              <dd className="num font-semibold">{words}</dd>
            </div>
          ))}
        </dl>
      )}
      {trouble !== '' && (
        <p role="alert" className="text-stop">
          {trouble}
        </p>
      )}
      <div className="flex flex-wrap gap-2 pt-2">
        <Button disabled={route === ''} onClick={ride}>
          Ride it, live
        </Button>
        <Button
          kind="go"
          disabled={route === '' || who.trim() === ''}
          data-testid="keep-simulated"
          onClick={() => void keep()}
        >
          Keep the ride
        </Button>
      </div>
    </Dialog>
  );
}
