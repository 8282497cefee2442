import { useId } from 'react';
import type { BuildDocument } from '@apple-cart/core';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { withSection } from '../state/paths.ts';
import { CHOICE_ROW } from './choice-field.tsx';

type Gearing = BuildDocument['gearing'];
export type ReadList =
  | { readonly ok: true; readonly values: number[] }
  | { readonly ok: false; readonly why: string };

interface Props {
  readonly label: string;
  /** Which list of the gearing it is. */
  readonly name: 'cogTeeth' | 'hubRatios';
  readonly undoName: string;
  readonly placeholder?: string;
  readonly read: (text: string) => ReadList;
  readonly change: (values: number[]) => Partial<Gearing>;
}

/** Several numbers typed as a list; what cannot be read stays in the field and is said. */
export function ListField({ label, name, undoName, placeholder, read, change }: Props) {
  const values = useDocument().gearing[name];
  const edit = useBuild((state) => state.edit);
  const path = `gearing.${name}` as const;
  const [text, setText] = useKeptText(path);
  const id = useId();
  const typed = text === undefined ? undefined : read(text);
  const error = typed?.ok === false ? typed.why : undefined;
  return (
    <div>
      <div className={CHOICE_ROW}>
        <label htmlFor={id}>{label}</label>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          placeholder={placeholder}
          className={`num h-[24px] w-full min-w-0 bg-field px-2 text-[13.5px] outline-none focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-11 print:h-6! ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
          value={text ?? values.join(' ')}
          aria-invalid={error !== undefined}
          aria-describedby={error === undefined ? undefined : `${id}-why`}
          onChange={(event) => {
            const next = read(event.target.value);
            setText(event.target.value, !next.ok);
            if (next.ok) edit((d) => withSection(d, 'gearing', change(next.values)), undoName, path);
          }}
          onBlur={() => {
            if (error === undefined) setText(undefined);
          }}
        />
      </div>
      {error !== undefined && (
        <p id={`${id}-why`} className="border-b border-hair py-1 text-[12px] text-stop">
          {error}
        </p>
      )}
    </div>
  );
}
