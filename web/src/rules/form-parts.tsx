import type { ReactNode } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { PlaceRules } from '@apple-cart/core';
import { StateMark } from '../ui/state-mark.tsx';
import type { RulesPath } from './paths.ts';

export type RulesForm = UseFormReturn<PlaceRules>;

/** The message of an error at a path of the form, whatever lies between. */
function errorAt(form: RulesForm, path: RulesPath): string | undefined {
  return form.getFieldState(path, form.formState).error?.message;
}

function ErrorLine({ message }: { message: string | undefined }) {
  if (message === undefined) return null;
  return (
    <p className="flex gap-1.5 pb-1 text-[12.5px] text-stop" role="alert">
      <StateMark state="stop" size={12} labelled={false} /> {message}
    </p>
  );
}

const look = (error: string | undefined): string =>
  `h-7 w-full min-w-0 bg-field px-2 max-bench:h-11 ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`;

interface FieldProps {
  readonly form: RulesForm;
  readonly path: RulesPath;
  readonly label: string;
}

/** A line of words, with what is wrong with it beneath. */
export function TextLine({ form, path, label, long = false }: FieldProps & { long?: boolean }) {
  const error = errorAt(form, path);
  return (
    <div className="border-b border-hair" data-rule-field={path}>
      <label className="grid min-h-[34px] items-center gap-x-3 py-0.5 tablet:grid-cols-[150px_minmax(0,1fr)]">
        <span className="text-[13.5px] leading-tight">{label}</span>
        {long ? (
          <textarea
            rows={2}
            {...form.register(path)}
            aria-invalid={error !== undefined}
            className={`${look(error)} h-auto! min-h-12 py-1`}
          />
        ) : (
          <input
            {...form.register(path)}
            autoComplete="off"
            aria-invalid={error !== undefined}
            className={look(error)}
          />
        )}
      </label>
      <ErrorLine message={error} />
    </div>
  );
}

/** A day that may be left open. */
export function DateLine({ form, path, label }: FieldProps) {
  const error = errorAt(form, path);
  return (
    <div className="border-b border-hair" data-rule-field={path}>
      <label className="grid min-h-[34px] items-center gap-x-3 py-0.5 tablet:grid-cols-[150px_160px]">
        <span className="text-[13.5px] leading-tight">{label}</span>
        <input
          type="date"
          {...form.register(path, { setValueAs: (text: unknown) => (text === '' ? undefined : text) })}
          aria-invalid={error !== undefined}
          className={look(error)}
        />
      </label>
      <ErrorLine message={error} />
    </div>
  );
}

/** A number in a cell. */
export function NumberCell({ form, path, label }: FieldProps) {
  const error = errorAt(form, path);
  return (
    <span className="min-w-0" data-rule-field={path}>
      <input
        {...form.register(path, {
          setValueAs: (text: unknown) => (text === '' ? undefined : Number(String(text).replace(',', '.'))),
        })}
        inputMode="decimal"
        autoComplete="off"
        aria-label={label}
        aria-invalid={error !== undefined}
        className={`${look(error)} num text-right`}
      />
      <ErrorLine message={error} />
    </span>
  );
}

/** Words in a cell. */
export function TextCell({ form, path, label }: FieldProps) {
  const error = errorAt(form, path);
  return (
    <span className="min-w-0" data-rule-field={path}>
      <input
        {...form.register(path)}
        autoComplete="off"
        aria-label={label}
        placeholder={label}
        aria-invalid={error !== undefined}
        className={look(error)}
      />
      <ErrorLine message={error} />
    </span>
  );
}

/** One of a few words in a cell. */
export function ChoiceCell({
  form,
  path,
  label,
  options,
  onChange,
}: FieldProps & {
  options: readonly (readonly [string, string])[];
  onChange?: (value: string) => void;
}) {
  const error = errorAt(form, path);
  return (
    <span className="min-w-0" data-rule-field={path}>
      <select
        {...form.register(
          path,
          onChange === undefined
            ? {}
            : {
                onChange: (event: { target: { value: string } }) => {
                  onChange(event.target.value);
                },
              },
        )}
        aria-label={label}
        aria-invalid={error !== undefined}
        className={`${look(error)} px-1!`}
      >
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
      <ErrorLine message={error} />
    </span>
  );
}

/** The same as a line with its name before it. */
export function ChoiceLine(props: FieldProps & { options: readonly (readonly [string, string])[] }) {
  return (
    <div className="grid min-h-[34px] items-center gap-x-3 border-b border-hair py-0.5 tablet:grid-cols-[150px_minmax(0,1fr)]">
      <span className="text-[13.5px] leading-tight">{props.label}</span>
      <ChoiceCell {...props} />
    </div>
  );
}

export const CERTAINTIES = [
  ['high', 'high'],
  ['medium', 'medium'],
  ['low', 'low'],
] as const;

export const Block = ({ title, children }: { title: ReactNode; children: ReactNode }) => (
  <section className="pt-2">
    <h2 className="head border-b-[1.5px] border-ink pb-1 text-[15px]">{title}</h2>
    {children}
  </section>
);
