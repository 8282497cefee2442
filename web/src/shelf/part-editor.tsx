import { useForm, type UseFormRegister } from 'react-hook-form';
import { useEffect, useState } from 'react';
import {
  cellsOf,
  describeIssue,
  freshId,
  partFields,
  partFromCells,
  unitText,
  type Part,
  type PartField,
  type PartType,
} from '@apple-cart/core';
import { NOT_THERE } from '@apple-cart/contracts';
import { TypedNotes } from '../frame/typed-notes.tsx';
import { VersionsDialog } from '../frame/versions-dialog.tsx';
import { api } from '../state/api.ts';
import { idsOnShelf, partSender, partsTyped } from '../state/shelf.ts';
import { useTyped } from '../state/use-typed.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { StateMark } from '../ui/state-mark.tsx';
import { TYPE_NAMES } from '../stages/parts/part-facts.ts';
import { choiceWords } from './choice-words.ts';

export interface Editing {
  readonly type: PartType;
  /** The part to begin from; undefined for an empty one. */
  readonly from: Part | undefined;
  /** The version it replaces; 0 for a new part. */
  readonly version: number;
  /** Its id; undefined for a new part, which gets one from its name. */
  readonly id: string | undefined;
}

type Cells = Record<string, string>;

/** What was typed before, if it is what this form holds. */
function typedFrom(value: unknown): { readonly cells: Cells; readonly version: number } | undefined {
  const { cells, version } = (value ?? {}) as { cells?: unknown; version?: unknown };
  if (typeof cells !== 'object' || cells === null || typeof version !== 'number') return undefined;
  const texts = Object.entries(cells).filter(([, text]) => typeof text === 'string') as [string, string][];
  return { cells: Object.fromEntries(texts), version };
}

/** One value: its label, its field, its unit, and what is wrong with it. */
function FieldRow({
  field: { key, label, unit, kind, options, optional },
  mayBeEmpty,
  error,
  register,
}: {
  readonly field: PartField;
  readonly mayBeEmpty: boolean;
  readonly error: string | undefined;
  readonly register: UseFormRegister<Cells>;
}) {
  const line = error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop';
  return (
    <div className="border-b border-hair" data-part-field={key}>
      <label className="grid min-h-[34px] grid-cols-[minmax(0,1fr)_210px_52px] items-center gap-2 max-bench:min-h-11">
        <span className="leading-tight">
          {label}
          {optional && <span className="pl-1.5 text-[12px] text-ink3">if given</span>}
        </span>
        {kind === 'choice' || kind === 'yes-no' ? (
          <select
            {...register(key)}
            aria-invalid={error !== undefined}
            className={`h-7 bg-field px-1 max-bench:h-11 ${line}`}
          >
            {mayBeEmpty && <option value="">not given</option>}
            {options.map((option) => (
              <option key={option} value={option}>
                {choiceWords({ kind, key }, option)}
              </option>
            ))}
          </select>
        ) : (
          <input
            {...register(key)}
            inputMode={kind === 'number' ? 'decimal' : 'text'}
            autoComplete="off"
            aria-invalid={error !== undefined}
            className={`h-7 w-full min-w-0 bg-field px-2 max-bench:h-11 ${kind === 'text' ? '' : 'num text-right'} ${line}`}
          />
        )}
        <span className="text-[12.5px] text-ink3">{unit === undefined ? '' : unitText(unit)}</span>
      </label>
      {error !== undefined && (
        <p className="flex gap-1.5 pb-1 text-[12.5px] text-stop" role="alert">
          <StateMark state="stop" size={12} labelled={false} /> {error}
        </p>
      )}
    </div>
  );
}

/** Versions of a part that are kept, and the way back to one. */
function PartVersions({ id, onTake }: { readonly id: string; readonly onTake: (cells: Cells) => void }) {
  const [open, setOpen] = useState(false);
  return (
    <span className="ml-auto">
      <Button
        kind="quiet"
        onClick={() => {
          setOpen(true);
        }}
      >
        Versions
      </Button>
      {open && (
        <VersionsDialog
          api={api.parts}
          id={id}
          onTake={(kept) => {
            onTake(cellsOf(kept));
          }}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </span>
  );
}

/** Every value of a part as a form; what cannot be used is said at its field, and nothing typed is lost. */
export function PartEditor({ editing, onClose }: { editing: Editing; onClose: () => void }) {
  const { type, from, id } = editing;
  const formId = id ?? (from === undefined ? `new-${type}` : `copy-${from.id}`);
  const typed = useTyped(partsTyped, formId);
  const [brought] = useState(() => typedFrom(typed.before));
  /** The version that typing began from. */
  const [version, setVersion] = useState(brought?.version ?? editing.version);
  const [held, setHeld] = useState(true);
  const fields = partFields(type).filter((f) => f.key !== 'id');
  const [failure, setFailure] = useState<string>();
  const form = useForm<Cells>({
    defaultValues: from === undefined ? { currency: 'GBP' } : cellsOf(from),
    ...(brought === undefined ? {} : { values: brought.cells, resetOptions: { keepDefaultValues: true } }),
  });
  const { register, handleSubmit, setError, formState, subscribe, reset } = form;
  useEffect(
    () =>
      subscribe({
        formState: { values: true, isDirty: true },
        callback: ({ values, isDirty }) => {
          if (isDirty === true) setHeld(partsTyped.keep(formId, { type, cells: values, version }));
        },
      }),
    [subscribe, formId, type, version],
  );

  const submit = async (cells: Cells): Promise<void> => {
    setFailure(undefined);
    const read = partFromCells(type, {
      ...cells,
      id: id ?? freshId(type, cells['name'] ?? '', idsOnShelf()),
    });
    if (!read.ok) {
      for (const issue of read.issues) {
        const key = issue.path.split('.')[0] ?? '';
        setError(key === '' ? 'root' : key, { message: describeIssue(issue).replace(/^[^:]*: /, '') });
      }
      return;
    }
    const part = read.value;
    const saving = await partSender.send(part.id, version, part);
    if (saving.saveState === 'refused') {
      // It stays in the form, where it can be mended.
      partSender.drop(part.id);
      setFailure(saving.refusal ?? 'It could not be kept.');
      return;
    }
    // Kept, or on its way: the shelf says what stands in the way.
    typed.keep(undefined);
    onClose();
  };
  const { errors, isSubmitting } = formState;
  return (
    <Dialog
      open
      onClose={onClose}
      place="side"
      title={version === NOT_THERE ? `New ${TYPE_NAMES[type].one}` : (from?.name ?? '')}
      description="From the maker’s data sheet or your own caliper. What is not given stays empty: a build then says that it is unknown."
    >
      <TypedNotes
        of={typed}
        held={held}
        onBring={({ value }) => {
          const left = typedFrom(value);
          if (left === undefined) return;
          reset(left.cells, { keepDefaultValues: true });
          setVersion(left.version);
          setHeld(typed.keep({ type, ...left }));
        }}
      />
      <form
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
        noValidate
      >
        {fields.map((field) => (
          <FieldRow
            key={field.key}
            field={field}
            mayBeEmpty={field.optional || from === undefined}
            error={errors[field.key]?.message}
            register={register}
          />
        ))}
        {(failure ?? errors.root?.message) !== undefined && (
          <p role="alert" className="mt-3 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
            {failure ?? errors.root?.message}
          </p>
        )}
        <div className="sticky -bottom-4 -mb-4 flex gap-3 border-t-2 border-ink bg-sheet py-3">
          <Button kind="go" type="submit" disabled={isSubmitting}>
            Put on the shelf
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              typed.keep(undefined);
              onClose();
            }}
          >
            Leave it
          </Button>
          {id !== undefined && (
            <PartVersions
              id={id}
              onTake={(cells) => {
                reset(cells, { keepDefaultValues: true });
                setHeld(typed.keep({ type, cells, version }));
              }}
            />
          )}
        </div>
      </form>
    </Dialog>
  );
}
