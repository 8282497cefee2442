import { useEffect, useRef, useState } from 'react';
import {
  CHANNELS,
  CHANNEL_IDS,
  NOTHING_READ,
  RIDE_KINDS,
  RIDE_KIND_NAMES,
  formatNumber,
  unitText,
  type ChannelId,
  type LogColumns,
  type RideKind,
  type RideRecord,
  type TimeWay,
} from '@apple-cart/core';
import {
  logProgress,
  type BadRow,
  type BadRows,
  type LogProgress,
  type LogTaken,
} from '@apple-cart/contracts';
import { sizeText } from '../../files/size-text.ts';
import { readLogHead, type LogHead } from '../../files/log-head.ts';
import { ApiError, api } from '../../state/api.ts';
import { rememberedColumns, useLogColumns } from '../../state/log-columns.ts';
import { logsHaveGrown } from '../../state/logs.ts';
import { newKey } from '../../state/new-key.ts';
import { usePeople } from '../../state/people.ts';
import { recordsHaveGrown } from '../../state/records.ts';
import { useRouteList } from '../../state/routes.ts';
import { today } from '../../state/today.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { WhoField } from '../parts/who-field.tsx';
import { WINDS } from './ride-fields.ts';
import type { Road } from './use-road.ts';

const SELECT = 'h-8 min-w-0 border-b border-ink3 bg-field px-1 text-[13.5px] max-bench:h-11';
const TIME_NAMES: Readonly<Record<TimeWay, string>> = {
  s: 'seconds',
  ms: 'milliseconds',
  min: 'minutes',
  clock: 'a clock, h:mm:ss',
  date: 'date and clock',
};

interface Day {
  readonly kind: RideKind;
  readonly on: string;
  readonly route: string;
  readonly title: string;
  readonly wind: number | null;
}

/** Which column is which: guessed, shown, and put right. */
function ColumnsTable({
  head,
  columns,
  onChange,
}: {
  head: Extract<LogHead, { kind: 'table' }>;
  columns: LogColumns;
  onChange: (columns: LogColumns) => void;
}) {
  const pick = (at: number, what: string): void => {
    const others = columns.channels.filter((c) => c.column !== at && c.channel !== what);
    if (what === 'time') onChange({ ...columns, time: { ...columns.time, column: at }, channels: others });
    else if (what === '') onChange({ ...columns, channels: others });
    else {
      const channel = what as ChannelId;
      onChange({
        ...columns,
        channels: [
          ...others,
          { channel, column: at, unit: CHANNELS[channel].units[0] ?? CHANNELS[channel].unit },
        ],
      });
    }
  };
  return (
    <div
      className="max-h-[38vh] overflow-y-auto border border-rule"
      tabIndex={0}
      role="region"
      aria-label="Columns of the file"
    >
      <table className="w-full border-collapse text-[13.5px]" data-testid="log-columns">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-left">
            <th scope="col" className="px-2 py-1">
              Column
            </th>
            <th scope="col" className="px-2 text-right">
              First row
            </th>
            <th scope="col" className="px-2">
              Holds
            </th>
            <th scope="col" className="px-2">
              In
            </th>
          </tr>
        </thead>
        <tbody>
          {head.heads.map((name, at) => {
            const one = columns.channels.find((c) => c.column === at);
            const isTime = columns.time.column === at;
            return (
              <tr key={`${name} ${String(at)}`} className="border-b border-hair">
                <th scope="row" className="max-w-[150px] truncate px-2 py-0.5 text-left font-normal">
                  {name}
                </th>
                <td className="num max-w-[110px] truncate px-2 text-right">{head.rows[0]?.[at] ?? ''}</td>
                <td className="px-2">
                  <select
                    aria-label={`What ${name} holds`}
                    className={SELECT}
                    value={isTime ? 'time' : (one?.channel ?? '')}
                    onChange={(event) => {
                      pick(at, event.target.value);
                    }}
                  >
                    <option value="">not taken</option>
                    <option value="time">Time</option>
                    {CHANNEL_IDS.map((id) => (
                      <option key={id} value={id}>
                        {CHANNELS[id].name}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="px-2">
                  {isTime && (
                    <select
                      aria-label="How the time is written"
                      className={SELECT}
                      value={columns.time.as}
                      onChange={(event) => {
                        onChange({ ...columns, time: { column: at, as: event.target.value as TimeWay } });
                      }}
                    >
                      {Object.entries(TIME_NAMES).map(([id, words]) => (
                        <option key={id} value={id}>
                          {words}
                        </option>
                      ))}
                    </select>
                  )}
                  {one !== undefined && (
                    <select
                      aria-label={`Unit of ${name}`}
                      className={SELECT}
                      value={one.unit}
                      onChange={(event) => {
                        onChange({
                          ...columns,
                          channels: columns.channels.map((c) =>
                            c.column === at ? { ...c, unit: event.target.value } : c,
                          ),
                        });
                      }}
                    >
                      {CHANNELS[one.channel].units.map((unit) => (
                        <option key={unit} value={unit}>
                          {unitText(unit)}
                        </option>
                      ))}
                    </select>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

/** What is known of the day beside the file. */
function DayFields({ day, onChange }: { day: Day; onChange: (day: Day) => void }) {
  const { listed } = useRouteList();
  const row =
    'grid min-h-9 grid-cols-[110px_minmax(0,1fr)] items-center border-b border-hair text-[14px] max-bench:min-h-11';
  return (
    <div className="pt-2">
      <label className={row}>
        What for
        <select
          className={SELECT}
          value={day.kind}
          data-testid="log-kind"
          onChange={(event) => {
            onChange({ ...day, kind: event.target.value as RideKind });
          }}
        >
          {RIDE_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {RIDE_KIND_NAMES[kind]}
            </option>
          ))}
        </select>
      </label>
      <label className={row}>
        Day
        <input
          type="date"
          className={SELECT}
          value={day.on}
          onChange={(event) => {
            if (event.target.value !== '') onChange({ ...day, on: event.target.value });
          }}
        />
      </label>
      <label className={row}>
        Road
        <select
          className={SELECT}
          value={day.route}
          onChange={(event) => {
            const route = event.target.value;
            onChange({
              ...day,
              route,
              title: listed?.find((r) => r.id === route)?.summary.name ?? day.title,
            });
          }}
        >
          <option value="">as it was recorded</option>
          {(listed ?? []).map(({ id, summary }) => (
            <option key={id} value={id}>
              {summary.name}
            </option>
          ))}
        </select>
      </label>
      <label className={row}>
        Wind
        <select
          className={SELECT}
          value={day.wind === null ? '' : String(day.wind)}
          data-testid="log-wind"
          onChange={(event) => {
            onChange({ ...day, wind: event.target.value === '' ? null : Number(event.target.value) });
          }}
        >
          <option value="">nobody noted it</option>
          {WINDS.map((w) => (
            <option key={w.name} value={String(w.ms)}>
              {w.name}, some {w.ms} m/s
            </option>
          ))}
        </select>
      </label>
      <div className="py-2">
        <WhoField />
      </div>
    </div>
  );
}

type Stage =
  | { readonly at: 'choose' }
  | { readonly at: 'look'; readonly file: File; readonly head: Exclude<LogHead, { kind: 'refused' }> }
  | { readonly at: 'send'; readonly file: File; readonly progress: LogProgress }
  | { readonly at: 'taken'; readonly taken: LogTaken };

interface Trouble {
  readonly words: string;
  readonly bad: readonly BadRow[];
}

const BadRowsList = ({ bad }: { bad: readonly BadRow[] }) =>
  bad.length === 0 ? null : (
    <ul className="max-h-40 overflow-y-auto text-[13px]" data-testid="bad-rows">
      {bad.map(({ line, why }) => (
        <li key={line} className="border-b border-hair py-0.5">
          Line {line}: {why}.
        </li>
      ))}
    </ul>
  );

/** How far it is, while it is sent and read. */
function Progress({ file, progress, onStop }: { file: File; progress: LogProgress; onStop: () => void }) {
  const share = Math.min(1, progress.bytes / Math.max(1, file.size));
  const words = {
    waiting: 'Beginning',
    reading: 'Reading',
    keeping: 'Keeping it, all at once',
    over: 'Ending',
  }[progress.state];
  return (
    <div role="status" data-testid="log-progress">
      <p className="pb-1">
        {words}: {formatNumber(progress.rows, 0)} rows, {formatNumber(100 * share, 0)} % of{' '}
        {sizeText(file.size)}.
      </p>
      <div className="h-4 border border-ink bg-field">
        <div className="h-full bg-slate-fill" style={{ width: `${String(100 * share)}%` }} />
      </div>
      <p className="pt-2">
        <Button onClick={onStop} data-testid="stop-import">
          Stop
        </Button>
      </p>
      <p className="pt-1 text-[13px] text-ink2">Stopped, nothing of it is kept.</p>
    </div>
  );
}

/** A recording of any logger: its columns shown, then read on the server while this page goes on. */
export function BringIn({
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
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [columns, setColumns] = useState<LogColumns>();
  const [bad, setBad] = useState<BadRows>('refuse');
  const [trouble, setTrouble] = useState<Trouble>();
  const [day, setDay] = useState<Day>({ kind: 'everyday', on: today(), route: '', title: '', wind: null });
  const { who, remember } = usePeople();
  const running = useRef<{ readonly key: string; readonly ends: AbortController }>(undefined);
  useEffect(
    () => () => {
      running.current?.ends.abort();
    },
    [],
  );
  const look = async (file: File): Promise<void> => {
    setTrouble(undefined);
    const head = await readLogHead(file);
    if (head.kind === 'refused') {
      setTrouble({ words: `${file.name} cannot be used. ${head.why}`, bad: [] });
      return;
    }
    if (head.kind === 'table') {
      const known = rememberedColumns(head.heads) ?? head.guess;
      setColumns(
        known ?? {
          separator: head.separator,
          decimal: '.',
          heads: 1,
          time: { column: 0, as: 's' },
          channels: [],
        },
      );
    }
    setDay({ ...day, on: new Date(file.lastModified).toLocaleDateString('sv-SE') });
    setStage({ at: 'look', file, head });
  };
  const send = async (file: File, head: Extract<Stage, { at: 'look' }>['head']): Promise<void> => {
    const key = newKey();
    const ends = new AbortController();
    running.current = { key, ends };
    setTrouble(undefined);
    setStage({ at: 'send', file, progress: { state: 'waiting', rows: 0, bytes: 0 } });
    remember(who);
    if (head.kind === 'table' && columns !== undefined)
      useLogColumns.getState().remember(head.heads, columns);
    const events = new EventSource(api.logs.progress(road.build, key));
    events.onmessage = (event: MessageEvent<string>) => {
      const read = logProgress.safeParse(JSON.parse(event.data));
      if (read.success) setStage((now) => (now.at === 'send' ? { ...now, progress: read.data } : now));
    };
    events.addEventListener('end', () => {
      events.close();
    });
    const ride: RideRecord = {
      kind: day.kind,
      on: day.on,
      title: day.title,
      route: day.route,
      planVersion: road.planVersion,
      ...NOTHING_READ,
      windMs: day.wind,
      ground: 'dry',
      pedalled: 'unknown',
      note: file.name.slice(0, 200),
      who: who.trim(),
      simulated: false,
      corrects: null,
      withdrawn: false,
    };
    try {
      const about = { columns: head.kind === 'table' ? columns : null, ride, bad };
      const taken = await api.logs.takeIn(road.build, key, about, file, ends.signal);
      await Promise.all([logsHaveGrown(road.build), recordsHaveGrown(road.build)]);
      if (taken.skipped > 0) setStage({ at: 'taken', taken });
      else onDone(key);
    } catch (problem) {
      const refused = problem instanceof ApiError ? problem : undefined;
      setTrouble({
        words: refused?.message ?? 'It was stopped. Nothing was stored.',
        bad: refused?.bad ?? [],
      });
      setStage({ at: 'look', file, head });
    } finally {
      events.close();
      running.current = undefined;
    }
  };
  const stop = (): void => {
    const now = running.current;
    if (now === undefined) return;
    void api.logs.stop(road.build, now.key).catch(() => {
      now.ends.abort();
    });
  };
  const timed = columns !== undefined && columns.channels.length > 0;
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title="Bring in a recording"
      description="A table (CSV) of any logger, or a track (GPX) with times. It is read on this machine; nothing is sent anywhere else."
      place="side"
      dismissable={stage.at !== 'send'}
    >
      {trouble !== undefined && (
        <div
          role="alert"
          className="mb-2 border-[1.5px] border-stop bg-stop-tint px-3 py-2"
          data-testid="log-trouble"
        >
          <p>{trouble.words}</p>
          <BadRowsList bad={trouble.bad} />
        </div>
      )}
      {(stage.at === 'choose' || stage.at === 'look') && (
        <label className="mb-2 flex min-h-11 cursor-pointer items-center justify-center border-[1.5px] border-ink bg-field px-3 font-semibold focus-within:outline-2 hover:bg-press">
          {stage.at === 'choose'
            ? 'Choose a file'
            : `${stage.file.name}, ${sizeText(stage.file.size)}: choose another`}
          <input
            type="file"
            accept=".csv,.tsv,.txt,.gpx,text/csv,application/gpx+xml"
            className="sr-only"
            data-testid="log-file"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file !== undefined) void look(file);
            }}
          />
        </label>
      )}
      {stage.at === 'look' && (
        <>
          {stage.head.kind === 'track' ? (
            <p className="py-2">A recorded track: places, heights and times.</p>
          ) : (
            columns !== undefined && (
              <ColumnsTable head={stage.head} columns={columns} onChange={setColumns} />
            )
          )}
          <DayFields day={day} onChange={setDay} />
          <fieldset className="flex flex-wrap gap-x-5 py-1 text-[14px]">
            <legend className="font-semibold">Rows that cannot be read</legend>
            {(
              [
                ['refuse', 'take nothing, and name them'],
                ['skip', 'leave them out, and name them'],
              ] as const
            ).map(([id, words]) => (
              <label key={id} className="flex min-h-8 items-center gap-2 max-bench:min-h-11">
                <input
                  type="radio"
                  name="bad"
                  className="size-5"
                  checked={bad === id}
                  onChange={() => {
                    setBad(id);
                  }}
                />
                {words}
              </label>
            ))}
          </fieldset>
          <Button
            kind="go"
            className="h-11!"
            disabled={who.trim() === '' || (stage.head.kind === 'table' && !timed)}
            data-testid="read-log"
            onClick={() => void send(stage.file, stage.head)}
          >
            Read it
          </Button>
          <span className="pl-3 text-[13px] text-ink2">
            {who.trim() === '' ? 'Who rode it?' : ''}
            {stage.head.kind === 'table' && !timed ? 'Which columns hold what?' : ''}
          </span>
        </>
      )}
      {stage.at === 'send' && <Progress file={stage.file} progress={stage.progress} onStop={stop} />}
      {stage.at === 'taken' && (
        <div role="status">
          <p className="pb-1">
            {formatNumber(stage.taken.rows, 0)} rows were taken, {formatNumber(stage.taken.skipped, 0)} left
            out:
          </p>
          <BadRowsList bad={stage.taken.bad} />
          <Button
            className="mt-2"
            onClick={() => {
              onDone(stage.taken.key);
            }}
          >
            Look at the ride
          </Button>
        </div>
      )}
    </Dialog>
  );
}
