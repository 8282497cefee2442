import type { ReactNode } from 'react';
import {
  GROUNDS,
  RIDE_KINDS,
  RIDE_KIND_NAMES,
  SYMPTOM_WORDS,
  formatNumber,
  levelCount,
  shownUnit,
  symptomsOf,
  unitText,
  convert,
  type BuildDocument,
  type RideReading,
  type ToldBy,
} from '@apple-cart/core';
import type { RideTyped } from '../../state/ride-typed.ts';
import { useRouteList } from '../../state/routes.ts';
import { useSettings } from '../../state/settings-store.ts';
import { RideMark } from './ride-marks.tsx';
import { RIDE_FIELDS, WINDS, readingOf } from './ride-fields.ts';
import { RouteOptions } from './route-options.tsx';

const ROW =
  'grid min-h-11 grid-cols-[minmax(0,1fr)_104px_44px_64px] items-center gap-x-1 border-b border-hair text-[15px]';
const CHOICE =
  'min-h-9 flex-1 border border-rule px-1 text-[14px] aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-on-ink max-bench:min-h-11';

/** One of a few words, all of them in sight. */
function OneOf<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T | undefined;
  options: readonly { readonly value: T; readonly name: string }[];
  onChange: (value: T) => void;
}) {
  return (
    <div className="grid min-h-11 grid-cols-[72px_minmax(0,1fr)] items-center gap-x-2 border-b border-hair py-1 text-[15px]">
      <span id={`${label}-of`}>{label}</span>
      <div role="group" aria-labelledby={`${label}-of`} className="flex">
        {options.map((o) => (
          <button
            key={o.value}
            type="button"
            aria-pressed={o.value === value}
            className={CHOICE}
            onClick={() => {
              onChange(o.value);
            }}
          >
            {o.name}
          </button>
        ))}
      </div>
    </div>
  );
}

export function Reading({
  id,
  typed,
  plan,
  onType,
}: {
  id: RideReading;
  typed: RideTyped;
  plan: string;
  onType: (text: string) => void;
}) {
  const system = useSettings((state) => state.units);
  const field = RIDE_FIELDS[id];
  if (field === undefined) return null;
  const text = typed.readings[id] ?? '';
  const wrong = readingOf(id, text, system) === undefined;
  const unit = shownUnit(field.unit, system);
  const [low, high] = [convert(field.min, field.unit, unit), convert(field.max, field.unit, unit)];
  return (
    <label className={ROW}>
      <span className="leading-tight">{field.name}</span>
      <input
        inputMode="decimal"
        enterKeyHint="next"
        autoComplete="off"
        value={text}
        aria-invalid={wrong}
        data-reading={id}
        className={`num h-9 w-full min-w-0 bg-field px-2 text-right text-[17px] max-bench:h-11 ${wrong ? 'border-b-2 border-stop' : 'border-b border-ink3'}`}
        onChange={(event) => {
          onType(event.target.value);
        }}
      />
      <span className="pl-1 text-[13px] text-ink3">{unitText(unit)}</span>
      <span className="num text-right text-[14px] text-ink2">{plan}</span>
      {wrong && (
        <span role="alert" className="col-span-4 pb-1 text-[12.5px] text-stop">
          A number from {formatNumber(low, 0)} to {formatNumber(high, 0)}.
        </span>
      )}
    </label>
  );
}

/** Which road, of those that are kept. */
export function RoadChoice({
  typed,
  change,
}: {
  typed: RideTyped;
  change: (more: Partial<RideTyped>) => void;
}) {
  const { listed } = useRouteList();
  return (
    <label className="grid min-h-11 grid-cols-[72px_minmax(0,1fr)] items-center gap-x-2 border-b border-hair text-[15px]">
      Road
      <select
        value={typed.route}
        data-testid="ride-route"
        className="h-9 w-full min-w-0 border-b border-ink3 bg-field px-2 max-bench:h-11"
        onChange={(event) => {
          const route = event.target.value;
          const name = listed?.find((r) => r.id === route)?.summary.name ?? '';
          change({ route, title: typed.title === '' || typed.route !== '' ? name : typed.title });
        }}
      >
        <RouteOptions none="none of those kept here" />
      </select>
    </label>
  );
}

export function Kinds({ typed, change }: { typed: RideTyped; change: (more: Partial<RideTyped>) => void }) {
  return (
    <div
      role="group"
      aria-label="What was it for?"
      className="grid grid-cols-6 border border-rule max-tablet:grid-cols-3"
    >
      {RIDE_KINDS.map((kind) => (
        <button
          key={kind}
          type="button"
          aria-pressed={kind === typed.kind}
          className="flex min-h-[50px] flex-col items-center justify-center gap-0.5 border-r border-rule px-1 text-[12.5px] last:border-r-0 aria-pressed:bg-ink aria-pressed:text-on-ink"
          onClick={() => {
            change({ kind });
          }}
        >
          <RideMark kind={kind} /> {RIDE_KIND_NAMES[kind]}
        </button>
      ))}
    </div>
  );
}

export function Weather({ typed, change }: { typed: RideTyped; change: (more: Partial<RideTyped>) => void }) {
  const wind = typed.readings.windMs;
  const strong = wind !== undefined && wind !== '' && Number(wind) > 2;
  const set = (id: RideReading, text: string): void => {
    change({ readings: { ...typed.readings, [id]: text } });
  };
  return (
    <>
      <OneOf
        label="Wind"
        value={WINDS.find((w) => String(w.ms) === wind)?.name}
        options={WINDS.map((w) => ({ value: w.name, name: w.name }))}
        onChange={(name) => {
          set('windMs', String(WINDS.find((w) => w.name === name)?.ms ?? 0));
        }}
      />
      {strong && (
        <Reading
          id="windFromDeg"
          typed={typed}
          plan=""
          onType={(text) => {
            set('windFromDeg', text);
          }}
        />
      )}
      <OneOf
        label="Ground"
        value={typed.ground}
        options={GROUNDS.map((g) => ({ value: g, name: g }))}
        onChange={(ground) => {
          change({ ground });
        }}
      />
      <OneOf
        label="Pedalled"
        value={typed.pedalled}
        options={[
          { value: 'yes', name: 'yes' },
          { value: 'no', name: 'no' },
          { value: 'unknown', name: 'not noted' },
        ]}
        onChange={(pedalled) => {
          change({ pedalled });
        }}
      />
    </>
  );
}

const TOLD_BY_NAMES: Readonly<Record<ToldBy, string>> = {
  display: 'display',
  satellite: 'satellite',
  counter: 'counter',
  unknown: 'not noted',
};
/** The order of the form: what is not noted comes last. */
const TELLERS = ['display', 'satellite', 'counter', 'unknown'] as const satisfies readonly ToldBy[];

/** At which level of help, and what told distance and speed. */
export function HowHelped({
  typed,
  change,
  build,
}: {
  typed: RideTyped;
  change: (more: Partial<RideTyped>) => void;
  build: BuildDocument;
}) {
  const count = Math.max(typed.level ?? 0, levelCount(build));
  return (
    <>
      {build.controls.assistSensor !== 'none' && (
        <OneOf
          label="Level"
          value={typed.level === null ? 'mixed' : String(typed.level)}
          options={[
            ...Array.from({ length: count }, (_, i) => ({ value: String(i + 1), name: String(i + 1) })),
            { value: 'mixed', name: 'mixed' },
          ]}
          onChange={(level) => {
            change({ level: level === 'mixed' ? null : Number(level) });
          }}
        />
      )}
      <OneOf
        label={typed.kind === 'top-speed' ? 'Speed by' : 'Distance by'}
        value={typed.toldBy}
        options={TELLERS.map((value) => ({ value, name: TOLD_BY_NAMES[value] }))}
        onChange={(toldBy) => {
          change({ toldBy });
        }}
      />
    </>
  );
}

/** What it did that it should not, ticked off by the words of the fault tree: its cause can be looked for from the ride. */
export function Noticed({
  typed: { noticed },
  change,
  build,
}: {
  typed: RideTyped;
  change: (more: Partial<RideTyped>) => void;
  build: BuildDocument;
}) {
  return (
    <details className="border-b border-hair" open={noticed.length > 0} data-testid="noticed-form">
      <summary className="flex min-h-11 cursor-pointer items-center text-[15px]">
        <span className="flex-1">It did something that it should not</span>
        <span className="text-[13px] text-ink2">
          {noticed.length === 0 ? 'nothing noted' : noticed.length}
        </span>
      </summary>
      <div role="group" aria-label="What it did" className="flex flex-wrap gap-1 pb-2">
        {symptomsOf(build.packs.length).map((id) => (
          <button
            key={id}
            type="button"
            title={SYMPTOM_WORDS[id].means}
            aria-pressed={noticed.includes(id)}
            className="min-h-9 border border-rule px-2 text-[14px] aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-on-ink max-bench:min-h-11 max-bench:min-w-11"
            onClick={() => {
              change({
                noticed: noticed.includes(id) ? noticed.filter((one) => one !== id) : [...noticed, id],
              });
            }}
          >
            {SYMPTOM_WORDS[id].name}
          </button>
        ))}
      </div>
    </details>
  );
}

export const TextRow = ({
  label,
  value,
  most,
  onChange,
}: {
  label: string;
  value: string;
  most: number;
  onChange: (text: string) => void;
}): ReactNode => (
  <label className="grid min-h-11 grid-cols-[72px_minmax(0,1fr)] items-center gap-x-2 border-b border-hair text-[15px]">
    {label}
    <input
      value={value}
      maxLength={most}
      className="h-9 w-full min-w-0 border-b border-ink3 bg-field px-2 max-bench:h-11"
      onChange={(event) => {
        onChange(event.target.value);
      }}
    />
  </label>
);
