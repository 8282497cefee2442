import {
  formatNumber,
  standsInFor,
  type FreePart,
  type Goal,
  type Held,
  type SearchAsked,
  type Unit,
} from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { PlainNumber } from '../../fields/plain-number.tsx';
import { useStage } from '../parts/use-stage.ts';
import type { Choices, Searching } from './use-search.ts';

const LINE =
  'grid min-h-[33px] grid-cols-[26px_minmax(0,1fr)_auto] items-center border-b border-hair text-[14px] max-bench:min-h-11';
const TICK = 'size-[18px] accent-ink max-bench:size-6';

/** A number that is asked, with what it is when it is first ticked. */
interface Numbered {
  readonly key: Exclude<keyof Held, 'lawful' | 'fits'>;
  readonly name: string;
  readonly words: string;
  readonly unit: Unit;
  readonly first: number;
  readonly max: number;
  readonly step: number;
  readonly digits: number;
}

const NUMBERS: readonly Numbered[] = [
  {
    key: 'hillKmh',
    name: 'Up the test hill',
    words: 'at least',
    unit: 'km/h',
    first: 8,
    max: 60,
    step: 0.5,
    digits: 1,
  },
  {
    key: 'rangeKm',
    name: 'Range, near end',
    words: 'at least',
    unit: 'km',
    first: 20,
    max: 500,
    step: 1,
    digits: 0,
  },
  {
    key: 'hottestC',
    name: 'Hottest winding',
    words: 'below',
    unit: 'C',
    first: 100,
    max: 200,
    step: 5,
    digits: 0,
  },
  {
    key: 'price',
    name: 'Price all in',
    words: 'at most',
    unit: '1',
    first: 1500,
    max: 100_000,
    step: 50,
    digits: 0,
  },
  { key: 'massKg', name: 'Mass', words: 'at most', unit: 'kg', first: 40, max: 500, step: 0.5, digits: 1 },
];

/** What a build has to hold: from the brief, each to be let go. */
function HeldTo({ searching }: { searching: Searching }) {
  const { asked, ask, document } = searching;
  const { held } = asked;
  const to = (next: Partial<Held>): void => {
    ask({ ...asked, held: { ...held, ...next } });
  };
  const tick = (key: 'lawful' | 'fits', name: string, says: string) => (
    <label key={key} className={`${LINE} cursor-pointer`}>
      <input
        type="checkbox"
        className={TICK}
        checked={held[key]}
        onChange={(event) => {
          to({ [key]: event.target.checked });
        }}
      />
      <span>{name}</span>
      <span className="text-[13px] text-ink2">{says}</span>
    </label>
  );
  const { hillName } = document.brief;
  return (
    <FieldGroup title="Held to" note="from the brief">
      {tick('lawful', 'Let in where it is ridden', 'law')}
      {NUMBERS.map((n) => {
        const value = held[n.key];
        return (
          <div
            key={n.key}
            className="grid min-h-[33px] grid-cols-[minmax(0,1fr)_auto] items-center border-b border-hair text-[14px] max-bench:min-h-11"
          >
            <label className="grid min-h-[33px] cursor-pointer grid-cols-[26px_minmax(0,1fr)] items-center max-bench:min-h-11">
              <input
                type="checkbox"
                className={TICK}
                checked={value !== null}
                onChange={(event) => {
                  to({ [n.key]: event.target.checked ? n.first : null });
                }}
              />
              {n.key === 'hillKmh' && hillName !== '' ? `Up ${hillName}` : n.name}
            </label>
            {value === null ? (
              <span className="text-[13px] text-ink2">not asked</span>
            ) : (
              <span className="flex items-center gap-1.5">
                <PlainNumber
                  label={n.words}
                  value={value}
                  unit={n.unit}
                  min={0}
                  max={n.max}
                  step={n.step}
                  digits={n.digits}
                  onChange={(next) => {
                    to({ [n.key]: next });
                  }}
                />
                {n.key === 'price' && (
                  <span className="text-[12px] text-ink2">{document.money.currency}</span>
                )}
              </span>
            )}
          </div>
        );
      })}
      {tick('fits', 'Fits the donor', 'as far as measured')}
    </FieldGroup>
  );
}

const FREE: readonly { readonly key: FreePart; readonly name: string; readonly of: keyof Choices }[] = [
  { key: 'motor', name: 'Motor', of: 'motors' },
  { key: 'pack', name: 'Pack', of: 'packs' },
  { key: 'controller', name: 'Controller', of: 'controllers' },
  { key: 'gearing', name: 'Ring and cogs', of: 'geared' },
  { key: 'tyre', name: 'Tyres', of: 'tyres' },
];

/** What is kept where a part is not free: of one that nobody has chosen or read, a usual one. */
const keptAs = (key: FreePart, usual: string): string =>
  usual === `with a usual ${key}` ? 'nobody has read it: a usual one' : 'kept';

function Free({ searching }: { searching: Searching }) {
  const { asked, ask, choices } = searching;
  const { document, verdict } = useStage();
  const usual = standsInFor({ build: document, known: verdict.known }, 'range');
  return (
    <FieldGroup title="Free to change" note="from the shelf">
      {FREE.map(({ key, name, of }) => (
        <label key={key} className={`${LINE} cursor-pointer`}>
          <input
            type="checkbox"
            className={TICK}
            checked={asked.free[key]}
            onChange={(event) => {
              ask({ ...asked, free: { ...asked.free, [key]: event.target.checked } });
            }}
          />
          <span>{name}</span>
          <span className="num text-[13px] text-ink2">
            {asked.free[key] ? choices[of] : keptAs(key, usual)}
          </span>
        </label>
      ))}
      <p className="py-1.5 text-[13px] text-ink2" data-testid="size">
        <b className="num text-ink">{formatNumber(choices.size, 0)}</b> builds: each is judged, the best of
        them whole, as the tray judges this one. The donor is kept.
      </p>
    </FieldGroup>
  );
}

const GOALS: readonly { readonly goals: SearchAsked['goals']; readonly name: string }[] = [
  { goals: ['price', 'hill'], name: 'price against hill' },
  { goals: ['price', 'range'], name: 'price against range' },
  { goals: ['price', 'mass'], name: 'price against mass' },
  { goals: ['price', 'hill', 'range'], name: 'price, hill and range' },
];
const same = (a: readonly Goal[], b: readonly Goal[]): boolean => a.join() === b.join();

function Goals({ searching }: { searching: Searching }) {
  const { asked, ask } = searching;
  return (
    <div role="radiogroup" aria-label="What is weighed" className="grid grid-cols-2 pt-2">
      {GOALS.map(({ goals, name }) => (
        <label
          key={name}
          className="flex min-h-8 cursor-pointer items-center justify-center border-[1.5px] border-rule px-1 text-center text-[13px] has-checked:border-ink has-checked:bg-ink has-checked:font-semibold has-checked:text-on-ink has-focus-visible:outline-2 max-bench:min-h-11"
        >
          <input
            type="radio"
            name="goals"
            className="sr-only"
            checked={same(asked.goals, goals)}
            onChange={() => {
              ask({ ...asked, goals });
            }}
          />
          {name}
        </label>
      ))}
    </div>
  );
}

export function SearchInputs({ searching }: { searching: Searching }) {
  return (
    <>
      <HeldTo searching={searching} />
      <Free searching={searching} />
      <Goals searching={searching} />
    </>
  );
}
