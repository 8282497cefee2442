import { convert, shownUnit, type BenchEntry, type Evidence, type Findings } from '@apple-cart/core';
import { NOTHING_TYPED, type Typed } from '../../state/bench-typed.ts';
import { useSettings } from '../../state/settings-store.ts';
import { BandScale } from './band-scale.tsx';
import { bandWords } from './expected.ts';

/** Readings of an instrument as if they were typed. */
export const typedFrom = (
  readings: readonly number[],
  unit: Extract<Evidence, { kind: 'readings' }>['unit'],
  system: 'metric' | 'imperial',
): Typed => ({
  ...NOTHING_TYPED,
  simulated: true,
  readings: readings.map((r) => String(Math.round(convert(r, unit, shownUnit(unit, system)) * 1000) / 1000)),
});
/** What was said before as if it were typed again, to be put right. */
export function typedOf(entry: BenchEntry, evidence: Evidence, system: 'metric' | 'imperial'): Typed {
  if (evidence.kind !== 'readings')
    return { ...NOTHING_TYPED, ticks: entry.ticks, words: evidence.kind === 'words' ? entry.words : '' };
  const to = shownUnit(evidence.unit, system);
  return {
    ...NOTHING_TYPED,
    readings: entry.readings.map((r) =>
      r === null ? '' : String(Math.round(convert(r, evidence.unit, to) * 1000) / 1000),
    ),
  };
}

/** A number as typed with comma or point; undefined while it is none. */
const numberOf = (text: string): number | null | undefined => {
  const plain = text.trim().replace(',', '.').replace('−', '-');
  if (plain === '') return null;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
};

/** What is typed, in the units of the step; what cannot be read counts as not said. */
export function findingsOf(evidence: Evidence, typed: Typed, system: 'metric' | 'imperial'): Findings {
  if (evidence.kind !== 'readings') return { readings: [], ticks: typed.ticks, words: typed.words };
  const from = shownUnit(evidence.unit, system);
  return {
    readings: evidence.names.map((_, i) => {
      const value = numberOf(typed.readings[i] ?? '');
      return value === null || value === undefined ? null : convert(value, from, evidence.unit);
    }),
    ticks: [],
    words: typed.words,
  };
}

const set = <T,>(list: readonly T[], index: number, value: T, empty: T): readonly T[] =>
  Array.from({ length: Math.max(list.length, index + 1) }, (_, i) =>
    i === index ? value : (list[i] ?? empty),
  );

function Readings({
  evidence,
  typed,
  outside,
  onType,
  onJudge,
}: {
  evidence: Extract<Evidence, { kind: 'readings' }>;
  typed: Typed;
  outside: readonly number[];
  onType: (next: Typed) => void;
  onJudge: () => void;
}) {
  const system = useSettings((state) => state.units);
  const unit = shownUnit(evidence.unit, system);
  const one = evidence.names.length === 1;
  return (
    <div className={one ? '' : 'grid grid-cols-2 gap-2 bench:grid-cols-2'}>
      {evidence.names.map((name, i) => (
        <label
          key={name}
          className={`${one ? 'flex' : 'grid'} items-center border-2 bg-field ${outside.includes(i) ? 'border-stop' : 'border-slate-fill'} ${one ? 'h-[92px] px-3' : 'min-h-[68px] grid-cols-[minmax(0,1fr)_auto] px-2 pt-1'}`}
        >
          <span className={one ? 'sr-only' : 'col-span-2 text-[13px] leading-tight'}>{name}</span>
          <input
            inputMode="decimal"
            aria-label={name}
            aria-invalid={outside.includes(i)}
            value={typed.readings[i] ?? ''}
            className={`num w-full min-w-0 bg-transparent text-right outline-none ${one ? 'text-[56px]' : 'text-[26px]'}`}
            onChange={(event) => {
              onType({
                ...typed,
                simulated: false,
                readings: set(typed.readings, i, event.target.value, ''),
              });
            }}
            onKeyDown={(event) => {
              if (event.key === 'Enter') onJudge();
            }}
          />
          <span className={`pl-2 whitespace-nowrap text-ink3 ${one ? 'text-[24px]' : 'text-[14px]'}`}>
            {unit}
          </span>
        </label>
      ))}
    </div>
  );
}

/** The fields of a step: large numbers, ticks that gloves hit, or words. */
export function FindingsFields({
  evidence,
  typed,
  outside,
  onType,
  onJudge,
}: {
  evidence: Evidence;
  typed: Typed;
  outside: readonly number[];
  onType: (next: Typed) => void;
  onJudge: () => void;
}) {
  const system = useSettings((state) => state.units);
  if (evidence.kind === 'words')
    return (
      <label className="block text-[14px]">
        {evidence.ask}
        <textarea
          className="mt-1 block h-28 w-full border-2 border-slate-fill bg-field p-2 text-[17px]"
          value={typed.words}
          maxLength={1000}
          onChange={(event) => {
            onType({ ...typed, words: event.target.value });
          }}
        />
      </label>
    );
  if (evidence.kind === 'ticks')
    return (
      <div className="grid gap-1.5">
        {evidence.items.map((item, i) => (
          <label
            key={item}
            className="flex min-h-12 cursor-pointer items-center gap-3 border-[1.5px] border-ink bg-field px-3 text-[16px] leading-tight"
          >
            <input
              type="checkbox"
              className="size-6 shrink-0 accent-fine"
              checked={typed.ticks[i] ?? false}
              onChange={(event) => {
                onType({ ...typed, ticks: set(typed.ticks, i, event.target.checked, false) });
              }}
            />
            {item}
          </label>
        ))}
      </div>
    );
  const found = findingsOf(evidence, typed, system);
  return (
    <div
      className={`grid gap-3 ${evidence.names.length === 1 ? 'tablet:grid-cols-[minmax(0,236px)_minmax(0,1fr)] bench:grid-cols-1' : ''}`}
    >
      <div>
        <p className="pb-1 text-[14px] font-semibold">Measured</p>
        <Readings evidence={evidence} typed={typed} outside={outside} onType={onType} onJudge={onJudge} />
      </div>
      <div>
        <p className="pb-1 text-[14px] font-semibold">Expected</p>
        <p className="num text-[26px]" data-testid="band">
          {bandWords(evidence, system)}
        </p>
        {shownUnit(evidence.unit, system) === evidence.unit && (
          <BandScale evidence={evidence} readings={found.readings} outside={outside.length > 0} />
        )}
      </div>
    </div>
  );
}
