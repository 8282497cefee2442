import {
  CHANNELS,
  CHANNEL_IDS,
  unitText,
  type ChannelId,
  type LogColumns,
  type TimeWay,
  type Unit,
} from '@apple-cart/core';
import type { LogHead } from '../../files/log-head.ts';

export const LOG_SELECT = 'h-8 min-w-0 border-b border-ink3 bg-field px-1 text-[13.5px] max-bench:h-11';
const TIME_NAMES: Readonly<Record<TimeWay, string>> = {
  s: 'seconds',
  ms: 'milliseconds',
  min: 'minutes',
  clock: 'a clock, h:mm:ss',
  date: 'date and clock',
};

/** The columns with another meaning of one of them: each channel is held by one column. */
function picked(columns: LogColumns, at: number, what: string): LogColumns {
  const channels = columns.channels.filter((c) => c.column !== at && c.channel !== what);
  if (what === 'time') return { ...columns, time: { ...columns.time, column: at }, channels };
  if (what === '') return { ...columns, channels };
  const channel = what as ChannelId;
  const units: readonly Unit[] = CHANNELS[channel].units;
  return {
    ...columns,
    channels: [...channels, { channel, column: at, unit: units[0] ?? CHANNELS[channel].unit }],
  };
}

/** In which unit a column is written. */
function UnitCell({
  name,
  at,
  columns,
  onChange,
}: {
  name: string;
  at: number;
  columns: LogColumns;
  onChange: (columns: LogColumns) => void;
}) {
  const one = columns.channels.find((c) => c.column === at);
  if (columns.time.column === at)
    return (
      <select
        aria-label="How the time is written"
        className={LOG_SELECT}
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
    );
  if (one === undefined) return null;
  return (
    <select
      aria-label={`Unit of ${name}`}
      className={LOG_SELECT}
      value={one.unit}
      onChange={(event) => {
        const unit = event.target.value;
        onChange({
          ...columns,
          channels: columns.channels.map((c) => (c.column === at ? { ...c, unit } : c)),
        });
      }}
    >
      {CHANNELS[one.channel].units.map((unit) => (
        <option key={unit} value={unit}>
          {unitText(unit)}
        </option>
      ))}
    </select>
  );
}

/** Which column is which: guessed, shown, and put right. */
export function ColumnsTable({
  head,
  columns,
  onChange,
}: {
  head: Extract<LogHead, { kind: 'table' }>;
  columns: LogColumns;
  onChange: (columns: LogColumns) => void;
}) {
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
          {head.heads.map((name, at) => (
            <tr key={`${name} ${String(at)}`} className="border-b border-hair">
              <th scope="row" className="max-w-[150px] truncate px-2 py-0.5 text-left font-normal">
                {name}
              </th>
              <td className="num max-w-[110px] truncate px-2 text-right">{head.rows[0]?.[at] ?? ''}</td>
              <td className="px-2">
                <select
                  aria-label={`What ${name} holds`}
                  className={LOG_SELECT}
                  value={
                    columns.time.column === at
                      ? 'time'
                      : (columns.channels.find((c) => c.column === at)?.channel ?? '')
                  }
                  onChange={(event) => {
                    onChange(picked(columns, at, event.target.value));
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
                <UnitCell name={name} at={at} columns={columns} onChange={onChange} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
