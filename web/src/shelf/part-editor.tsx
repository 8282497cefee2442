import { useForm } from 'react-hook-form';
import { useState } from 'react';
import {
  cellsOf,
  describeIssue,
  freshId,
  partFields,
  partFromCells,
  unitText,
  type Part,
  type PartType,
} from '@apple-cart/core';
import { NOT_THERE } from '@apple-cart/contracts';
import { ApiError } from '../state/api.ts';
import { idsOnShelf, savePart } from '../state/shelf.ts';
import { problemWords } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { StateMark } from '../ui/state-mark.tsx';
import { TYPE_NAMES } from './type-names.ts';

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

/** Every value of a part as a form; what cannot be used is said at its field, and nothing typed is lost. */
export function PartEditor({ editing, onClose }: { editing: Editing; onClose: () => void }) {
  const { type, from, version, id } = editing;
  const fields = partFields(type).filter((f) => f.key !== 'id');
  const [failure, setFailure] = useState<string>();
  const { register, handleSubmit, setError, formState } = useForm<Cells>({
    defaultValues: from === undefined ? { currency: 'GBP' } : cellsOf(from),
  });

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
    try {
      await savePart(read.value, version);
      onClose();
    } catch (problem) {
      setFailure(
        problem instanceof ApiError && problem.status === 409
          ? `${problem.message} Close this, look at it, and begin again from there.`
          : problemWords(problem, 'It could not be kept.'),
      );
    }
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
      <form
        onSubmit={(event) => {
          void handleSubmit(submit)(event);
        }}
        noValidate
      >
        {fields.map(({ key, label, unit, kind, options, optional }) => {
          const error = errors[key]?.message;
          return (
            <div key={key} className="border-b border-hair" data-part-field={key}>
              <label className="grid min-h-[34px] grid-cols-[minmax(0,1fr)_210px_52px] items-center gap-2 max-bench:min-h-11">
                <span className="leading-tight">
                  {label}
                  {optional && <span className="pl-1.5 text-[12px] text-ink3">if given</span>}
                </span>
                {kind === 'choice' || kind === 'yes-no' ? (
                  <select
                    {...register(key)}
                    aria-invalid={error !== undefined}
                    className={`h-7 bg-field px-1 max-bench:h-10 ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
                  >
                    {(optional || from === undefined) && <option value="">not given</option>}
                    {options.map((option) => (
                      <option key={option} value={option}>
                        {option}
                      </option>
                    ))}
                  </select>
                ) : (
                  <input
                    {...register(key)}
                    inputMode={kind === 'number' ? 'decimal' : 'text'}
                    autoComplete="off"
                    aria-invalid={error !== undefined}
                    className={`h-7 w-full min-w-0 bg-field px-2 max-bench:h-10 ${kind === 'text' ? '' : 'num text-right'} ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
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
        })}
        {(failure ?? errors.root?.message) !== undefined && (
          <p role="alert" className="mt-3 border-[1.5px] border-stop bg-stop-tint px-3 py-2">
            {failure ?? errors.root?.message}
          </p>
        )}
        <div className="sticky -bottom-4 -mb-4 flex gap-3 border-t-2 border-ink bg-sheet py-3">
          <Button kind="go" type="submit" disabled={isSubmitting}>
            Put on the shelf
          </Button>
          <Button kind="quiet" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
