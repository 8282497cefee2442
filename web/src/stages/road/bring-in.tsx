import {
  GROUNDS,
  RIDE_KINDS,
  RIDE_KIND_NAMES,
  formatNumber,
  type Ground,
  type RideKind,
} from '@apple-cart/core';
import type { BadRow, BadRows, LogProgress } from '@apple-cart/contracts';
import { sizeText } from '../../files/size-text.ts';
import { useRouteList } from '../../state/routes.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { WhoField } from '../parts/who-field.tsx';
import { ColumnsTable, LOG_SELECT as SELECT } from './columns-table.tsx';
import { WINDS } from './ride-fields.ts';
import { useImport, type LogDay } from './use-import.ts';
import { RouteOptions } from './route-options.tsx';
import type { Road } from './use-road.ts';

/** What is known of the day beside the file. */
function DayFields({ day, onChange }: { day: LogDay; onChange: (day: LogDay) => void }) {
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
          <RouteOptions none="as it was recorded" />
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
      <label className={row}>
        Ground
        <select
          className={SELECT}
          value={day.ground}
          onChange={(event) => {
            onChange({ ...day, ground: event.target.value as Ground });
          }}
        >
          {GROUNDS.map((ground) => (
            <option key={ground} value={ground}>
              {ground}
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

/** What becomes of rows that cannot be read. */
function BadRowsChoice({ bad, onChange }: { bad: BadRows; onChange: (bad: BadRows) => void }) {
  return (
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
              onChange(id);
            }}
          />
          {words}
        </label>
      ))}
    </fieldset>
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
  const { stage, columns, setColumns, bad, setBad, trouble, day, setDay, who, look, send, stop } = useImport(
    road,
    onDone,
  );
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
          <BadRowsChoice bad={bad} onChange={setBad} />
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
