import { useFieldArray, useWatch } from 'react-hook-form';
import { ANSWER_FACTS, LIMIT_UNITS, NUMBER_FACTS, type Clause } from '@apple-cart/core';
import { TextButton } from '../ui/text-button.tsx';
import { CERTAINTIES, ChoiceCell, NumberCell, TextCell, type RulesForm } from './form-parts.tsx';
import { clauseAt, clausesAt, type ClauseAt } from './paths.ts';
import { clauseOfKind, newClause } from './new-rules.ts';

const KINDS = [
  ['number', 'a number'],
  ['answer', 'yes or no'],
  ['one-of', 'number of wheels'],
  ['curve', 'a curve of help'],
  ['open', 'not remembered'],
] as const;
const OPS = [
  ['<=', 'at most'],
  ['<', 'less than'],
  ['>=', 'at least'],
  ['>', 'more than'],
] as const;
const NUMBERS = Object.entries(NUMBER_FACTS).map(([name, { words }]) => [name, words] as const);
const ANSWERS = Object.entries(ANSWER_FACTS);
const UNITS = LIMIT_UNITS.map((u) => [u, u === '1' ? 'no unit' : u] as const);
const WANTED = [
  ['yes', 'required'],
  ['no', 'not allowed'],
] as const;

/** What the clause's kind asks for. */
function KindFields({ form, at, kind }: { form: RulesForm; at: ClauseAt; kind: Clause['kind'] }) {
  switch (kind) {
    case 'number':
      return (
        <>
          <ChoiceCell form={form} path={`${at}.fact`} label="Held against" options={NUMBERS} />
          <span className="grid grid-cols-[92px_minmax(0,1fr)_76px] gap-1.5">
            <ChoiceCell form={form} path={`${at}.op`} label="Operator" options={OPS} />
            <NumberCell form={form} path={`${at}.limit`} label="Limit" />
            <ChoiceCell form={form} path={`${at}.unit`} label="Unit" options={UNITS} />
          </span>
        </>
      );
    case 'answer':
      return (
        <>
          <ChoiceCell form={form} path={`${at}.fact`} label="Held against" options={ANSWERS} />
          <ChoiceCell form={form} path={`${at}.wanted`} label="Wanted" options={WANTED} />
        </>
      );
    case 'one-of':
    case 'curve':
      return (
        <span className="col-span-2 self-center text-[12.5px] text-ink2">
          {kind === 'curve' ? 'Its corners' : 'The numbers that are allowed'} are changed as text (JSON).
        </span>
      );
    case 'open':
      return (
        <span className="col-span-2 self-center text-[12.5px] text-ink2">
          There may be a limit: it is always “check”.
        </span>
      );
  }
}

function ClauseFields({ form, at, onRemove }: { form: RulesForm; at: ClauseAt; onRemove: () => void }) {
  const clause = useWatch({ control: form.control, name: at }) as Clause | undefined;
  if (clause === undefined) return null;
  return (
    <div className="grid gap-1.5 border-b border-rule py-2" data-testid="clause-fields">
      <div className="grid gap-1.5 tablet:grid-cols-2 bench:grid-cols-[minmax(0,1.1fr)_130px_minmax(0,1.4fr)_minmax(0,1.4fr)]">
        <TextCell form={form} path={`${at}.title`} label="Clause" />
        <ChoiceCell
          form={form}
          path={`${at}.kind`}
          label="Kind"
          options={KINDS}
          onChange={(kind) => {
            form.setValue(at, clauseOfKind(kind as Clause['kind'], clause), { shouldDirty: true });
          }}
        />
        <KindFields form={form} at={at} kind={clause.kind} />
      </div>
      <div className="grid items-start gap-1.5 tablet:grid-cols-[minmax(0,1fr)_170px] bench:grid-cols-[minmax(0,1.5fr)_150px_100px_minmax(0,1.5fr)_auto]">
        <TextCell form={form} path={`${at}.source`} label="Where it stands" />
        <TextCell form={form} path={`${at}.year`} label="Year, if not the class’s" />
        <ChoiceCell form={form} path={`${at}.certainty`} label="Certainty" options={CERTAINTIES} />
        <TextCell form={form} path={`${at}.note`} label="Note" />
        <TextButton
          className="justify-self-end"
          onClick={onRemove}
          aria-label={`Remove the clause ${clause.title}`}
        >
          Remove
        </TextButton>
      </div>
    </div>
  );
}

/** The clauses of a category: add, change, remove. */
export function ClauseList({ form, test, category }: { form: RulesForm; test: number; category: number }) {
  const name = clausesAt(test, category);
  const { fields, append, remove } = useFieldArray({ control: form.control, name, keyName: 'key' });
  return (
    <>
      {fields.map((field, i) => (
        <ClauseFields
          key={field.key}
          form={form}
          at={clauseAt(test, category, i)}
          onRemove={() => {
            remove(i);
          }}
        />
      ))}
      <TextButton
        onClick={() => {
          append(newClause(form.getValues(name).map((c) => c.id)));
        }}
      >
        Add a clause
      </TextButton>
    </>
  );
}
