import { Suspense, lazy, memo, useId, useState, type KeyboardEvent } from 'react';
import {
  firstOf,
  packIndexOf,
  withQuantity,
  shownUnit,
  specAt,
  termOf,
  unitText,
  type MeasureId,
  type QuantityPath,
  type Source,
  type Sourced,
  type UnitSystem,
} from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { useSettings } from '../state/settings-store.ts';
import { useTypedAs, useTypedSource } from '../state/typed-as.ts';
import { StateMark } from '../ui/state-mark.tsx';
import { ROW } from './field-group.tsx';
import { asDefault, fieldText, nudged, otherText, readTyped } from './number-text.ts';
import { NoteDialog } from './note-dialog.tsx';
import { TermButton } from '../words/term-button.tsx';
import { AskSource } from './ask-source.tsx';
import { SOURCE_NOTES, SourceMenu } from './source-menu.tsx';
import { useQuantityField, type QuantityInField } from './use-quantity-field.ts';

/** Readings and fits are fetched when the first of them is opened. */
const MeasureDialog = lazy(() => import('./measure-dialog.tsx').then((m) => ({ default: m.MeasureDialog })));

const UNDERLINE: Readonly<Record<Source, string>> = {
  measured: 'border-b border-solid border-ink3',
  label: 'border-b border-solid border-ink3',
  assumed: 'border-b-[1.5px] border-dashed border-ink3',
  unknown: 'border-b-2 border-dotted border-slate',
};

/** What a mark means, said while its field is in hand. */
const MEANS: Readonly<Record<Source, string>> = {
  measured: `measured ${SOURCE_NOTES.measured}; F2 changes the mark`,
  label: `${SOURCE_NOTES.label}; F2 changes the mark`,
  assumed: `assumed: ${SOURCE_NOTES.assumed}; F2 changes the mark`,
  unknown: '',
};

const TURN: readonly Source[] = ['measured', 'label', 'assumed'];
const nextSource = (source: Source): Source => TURN[(TURN.indexOf(source) + 1) % TURN.length] ?? 'measured';

/** The text as a picture of itself: whole part and decimals in columns of their own. */
function SplitNumber({ text }: { text: string }) {
  const [whole = '', fraction] = text.split('.');
  const grouped = /^-?\d{4,}$/.test(whole) ? Number(whole).toLocaleString('en-GB') : whole;
  return (
    <span
      className="num pointer-events-none absolute inset-0 flex items-center justify-end text-[15px]"
      aria-hidden
    >
      <span>{grouped}</span>
      <span className="w-[4ch] pr-[3px]">{fraction === undefined ? '' : `.${fraction}`}</span>
    </span>
  );
}

interface Props {
  readonly path: QuantityPath;
  /** Replaces the spec's label where the stage says it better. */
  readonly label?: string;
  readonly note?: string | undefined;
}

/**
 * A quantity of the build: typed with or without a unit, nudged with the arrow keys, marked with its
 * source. What is typed counts at once when it can be used, and stays in the field when it cannot.
 */
export const NumberField = memo(function NumberField(props: Props) {
  const system = useSettings((state) => state.units);
  const quantity = useQuantityField(props.path, system);
  // A pack that was just taken away has no fields.
  return quantity && <Field {...props} system={system} quantity={quantity} />;
});

interface FieldProps extends Props {
  readonly system: UnitSystem;
  readonly quantity: QuantityInField;
}

const Field = memo(function Field({ path, label, note, system, quantity }: FieldProps) {
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useKeptText(path);
  const [left, setLeft] = useState(text !== undefined);
  const [before, setBefore] = useState<Sourced>();
  const [noting, setNoting] = useState(false);
  const [measuring, setMeasuring] = useState<MeasureId>();
  const hintId = useId();
  const typedAs = useTypedSource(path);
  const asked = useTypedAs((state) => state.askAt === path);
  const ask = useTypedAs((state) => state.ask);

  const spec = specAt(path);
  const term = termOf(path);
  const name = label ?? spec.label;
  const { entered, finding } = quantity;
  const unknown = entered.source === 'unknown';
  const typed = text === undefined ? undefined : readTyped(text, spec, system);
  const focused = text !== undefined && !left;

  const put = (value: Sourced): void => {
    edit((d) => withQuantity(d, path, value), name.toLowerCase(), path);
  };
  const putValue = (value: number): void => {
    const { source, note: own } = entered;
    const told = source === 'measured' || source === 'label';
    // Until it is said where such values come from, one counts as a guess, and it is asked.
    if (!told && typedAs === undefined) ask(path);
    // Another value than the one that was measured has not its plus-minus.
    put({
      source: told ? source : (typedAs ?? 'assumed'),
      value,
      ...(own === undefined ? {} : { note: own }),
    });
  };

  const onText = (next: string): void => {
    const read = readTyped(next, spec, system);
    setText(next, !read.ok);
    setLeft(false);
    if (read.ok) putValue(read.value);
    // "500" passes through 50, which nobody meant: what stood before the typing is in force again.
    else if (before !== undefined && before !== entered) put(before);
  };
  const leave = (): void => {
    if (typed === undefined || typed.ok || text?.trim() === '') setText(undefined);
    else setLeft(true);
  };
  const onKey = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
      event.preventDefault();
      const steps = (event.key === 'ArrowUp' ? 1 : -1) * (event.shiftKey ? 10 : 1);
      const next = nudged(quantity.value, steps, spec, system);
      putValue(next);
      setText(fieldText(next, spec, system));
    } else if (event.key === 'F2') {
      event.preventDefault();
      onSource(nextSource(entered.source));
    } else if (event.key === 'Enter') {
      leave();
    } else if (event.key === 'Escape') {
      // What was typed counted at once: dropping it puts back what was there before.
      if (before !== undefined && before !== entered) put(before);
      setText(undefined);
      event.currentTarget.blur();
    }
  };
  const onSource = (source: Source): void => {
    const kept = entered.note === undefined ? {} : { note: entered.note };
    const value = unknown ? asDefault(quantity.value) : quantity.value;
    if (source !== 'unknown' && (value < spec.min || value > spec.max)) {
      // What was worked out is more than can be entered: it stands as if typed, with the reason.
      setText(fieldText(value, spec, system), true);
      setLeft(true);
      return;
    }
    setText(undefined);
    if (source === 'unknown') put({ source, ...kept });
    else put({ source, value, ...kept });
  };

  const onNote = (next: string): void => {
    const rest = { ...entered };
    delete rest.note;
    put(next === '' ? rest : { ...rest, note: next });
  };

  const shown = unknown ? '' : fieldText(entered.value, spec, system);
  const error = typed?.ok === false && (left || text?.trim() !== '') ? typed.why : undefined;
  // What an unknown value is taken as stands in its field, so that nothing is assumed in silence.
  const usual = fieldText(asDefault(quantity.value), spec, system);
  const standIn = firstOf(
    [
      [spec.stays === true, '?'],
      [quantity.source === 'worked', usual],
    ],
    `${usual} ?`,
  );
  const other = focused ? otherText(quantity.value, spec, system) : undefined;
  const unknownHint =
    focused && unknown && spec.stays !== true
      ? `${usual} ${unitOf(spec.unit, system)} is used: ${quantity.origin}`
      : undefined;
  const hint =
    error ??
    quantity.detail ??
    unknownHint ??
    (focused
      ? [other === undefined ? '' : `is ${other}`, entered.note ?? '', MEANS[entered.source]]
          .filter((t) => t !== '')
          .join('; ')
      : undefined);

  return (
    <div data-field={path}>
      <div
        className={`${ROW} ${focused ? 'relative z-10 -mx-[7px] bg-field px-[7px] shadow-[inset_0_0_0_2px_var(--slate-fill)]' : ''}`}
      >
        <span className="flex min-w-0 items-center justify-between">
          <label htmlFor={`${hintId}-in`} className="py-0.5 pr-2 text-[14px] leading-[1.15]" title={name}>
            {name}
            {!quantity.used && <i className="pl-1.5 text-[12px] text-ink3 not-italic">not used</i>}
            {note !== undefined && <i className="pl-1.5 text-[12px] text-ink3 not-italic">{note}</i>}
          </label>
          {term !== undefined && <TermButton term={term} />}
        </span>
        <span
          className={`relative block h-[23px] bg-field max-bench:h-[46px] print:h-6! ${error === undefined ? UNDERLINE[entered.source] : 'border-b-2 border-stop'}`}
        >
          <input
            id={`${hintId}-in`}
            className={`num absolute inset-0 w-full bg-transparent pr-[5px] text-right text-[15px] outline-none placeholder:text-slate ${text === undefined && !unknown ? 'text-transparent' : ''}`}
            inputMode="decimal"
            autoComplete="off"
            spellCheck={false}
            value={text ?? shown}
            placeholder={standIn}
            aria-invalid={error !== undefined}
            aria-describedby={hint === undefined ? undefined : hintId}
            onChange={(event) => {
              onText(event.target.value);
            }}
            onFocus={(event) => {
              if (text === undefined) setText(shown);
              setBefore(entered);
              setLeft(false);
              event.target.select();
            }}
            onBlur={leave}
            onKeyDown={onKey}
          />
          {text === undefined && !unknown && <SplitNumber text={shown} />}
        </span>
        <span className="pl-[3px] text-[12.5px] whitespace-nowrap text-ink3">
          {unitOf(spec.unit, system)}
        </span>
        <SourceMenu
          label={name}
          shown={unknown ? quantity.source : entered.source}
          value={entered.source}
          onChange={onSource}
          note={entered.note ?? ''}
          onNote={() => {
            setNoting(true);
          }}
          measures={quantity.measures}
          onMeasure={setMeasuring}
        />
      </div>
      {hint !== undefined && (
        <p
          id={hintId}
          className={`flex items-start gap-1.5 border-b border-hair py-1 pl-1 text-[12px] ${error === undefined ? 'text-ink2' : 'text-stop'}`}
        >
          {error !== undefined && <StateMark state="stop" size={12} labelled={false} />}
          {error === undefined && finding !== undefined && <StateMark state={finding} size={12} />}
          <span>{hint}</span>
        </p>
      )}
      {asked && typedAs === undefined && entered.source === 'assumed' && (
        <AskSource path={path} onAnswer={onSource} />
      )}
      {measuring !== undefined && (
        <Suspense>
          <MeasureDialog
            id={measuring}
            pack={packIndexOf(path) ?? 0}
            onClose={() => {
              setMeasuring(undefined);
            }}
          />
        </Suspense>
      )}
      {noting && (
        <NoteDialog
          about={name}
          note={entered.note ?? ''}
          onChange={onNote}
          onClose={() => {
            setNoting(false);
          }}
        />
      )}
    </div>
  );
});

const unitOf = (unit: Parameters<typeof shownUnit>[0], system: Parameters<typeof shownUnit>[1]): string => {
  const text = unitText(shownUnit(unit, system));
  return firstOf(
    [
      [text === 'teeth', 'T'],
      [text === 'in series', 'S'],
      [text === 'in parallel', 'P'],
    ],
    text,
  );
};
