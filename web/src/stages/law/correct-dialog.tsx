import { useState, type ReactNode } from 'react';
import {
  parseQuantity,
  unitText,
  rulesOfClause,
  withCorrection,
  type Category,
  type Clause,
  type PlaceRules,
} from '@apple-cart/core';
import { saveRules, useRules } from '../../state/rules.ts';
import { Button } from '../../ui/button.tsx';
import { Caution } from '../../ui/caution.tsx';
import { Dialog } from '../../ui/dialog.tsx';

const LINE = 'h-8 w-full min-w-0 border-b border-ink3 bg-field px-2 max-bench:h-11';
const today = (): string => new Date().toISOString().slice(0, 10);

/** A field of the form with its label, and the unit behind it. */
const Line = ({ label, unit = '', children }: { label: string; unit?: string; children: ReactNode }) => (
  <label className="grid grid-cols-[110px_minmax(0,1fr)_48px] items-center gap-2">
    <span>{label}</span>
    {children}
    <span className="text-ink2">{unit}</span>
  </label>
);

interface Props {
  readonly clause: Clause;
  readonly category: Category;
  /** The place that the clause is read in. */
  readonly place: PlaceRules;
  readonly onClose: () => void;
}

/** The form's values, what is wrong with them, and keeping them. */
function useCorrection({ clause, category, place, onClose }: Props) {
  const { listed } = useRules();
  const number = clause.kind === 'number' ? clause : undefined;
  const [limit, setLimit] = useState(number === undefined ? '' : String(number.limit));
  const [source, setSource] = useState(clause.source);
  const [on, setOn] = useState(today());
  const [note, setNote] = useState(clause.corrected?.note ?? '');
  const [trouble, setTrouble] = useState<string>();
  const [busy, setBusy] = useState(false);
  const entry = rulesOfClause(listed, place, category.id);
  const read = number === undefined ? undefined : parseQuantity(limit, '1', '1');
  const wrong = read !== undefined && (!read.ok || read.value < 0);
  const save = async (): Promise<void> => {
    if (entry === undefined || wrong || source.trim() === '') return;
    setBusy(true);
    try {
      const value = read?.ok === true ? read.value : undefined;
      const rules = withCorrection(entry.document, category.id, clause.id, {
        limit: value,
        source: source.trim(),
        on,
        note: note.trim(),
      });
      await saveRules(rules, entry.version);
      onClose();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'It could not be kept.');
      setBusy(false);
    }
  };
  return {
    number,
    fields: { limit, setLimit, source, setSource, on, setOn, note, setNote },
    wrong,
    trouble,
    ready: !busy && !wrong && entry !== undefined && source.trim() !== '',
    save,
  };
}

/** What a person has read in the text itself, put into the rule book from the clause that it changes. */
export function CorrectDialog(props: Props) {
  const { clause, category, onClose } = props;
  const { number, fields, wrong, trouble, ready, save } = useCorrection(props);
  const { limit, setLimit, source, setSource, on, setOn, note, setNote } = fields;
  return (
    <Dialog
      open
      onClose={onClose}
      title={`This has changed: ${clause.title.toLowerCase()}`}
      description={`${category.name}. What you enter goes into this workshop’s rule book, and marks every verdict that rests on it.`}
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void save();
        }}
        className="grid gap-2"
      >
        {number !== undefined && (
          <Line label="Limit" unit={unitText(number.unit)}>
            <input
              className={`${LINE} num text-right`}
              inputMode="decimal"
              autoComplete="off"
              value={limit}
              aria-invalid={wrong}
              onChange={(event) => {
                setLimit(event.target.value);
              }}
            />
          </Line>
        )}
        {wrong && (
          <p role="alert" className="text-[12.5px] text-stop">
            A number is wanted here, for example {String(number?.limit)}.
          </p>
        )}
        <Line label="Instrument">
          <input
            className={LINE}
            value={source}
            maxLength={300}
            onChange={(event) => {
              setSource(event.target.value);
            }}
          />
        </Line>
        <Line label="Read on">
          <input
            className={LINE}
            type="date"
            required
            value={on}
            max={today()}
            onChange={(event) => {
              setOn(event.target.value);
            }}
          />
        </Line>
        <Line label="Your note">
          <input
            className={LINE}
            value={note}
            maxLength={800}
            placeholder="where you read it, what it says"
            onChange={(event) => {
              setNote(event.target.value);
            }}
          />
        </Line>
        <Caution>
          A planning aid, not legal advice: read the text itself, not what is said of it. The shipped rule
          comes back in the rule book.
        </Caution>
        {trouble !== undefined && (
          <p role="alert" className="text-[13px] text-stop">
            {trouble}
          </p>
        )}
        <div className="flex justify-end gap-2 pt-1">
          <Button kind="quiet" onClick={onClose}>
            Leave it
          </Button>
          <Button kind="go" type="submit" disabled={!ready}>
            Correct the rule
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
