import { useId } from 'react';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { withSection } from '../state/paths.ts';
import { CHOICE_ROW } from './choice-field.tsx';
import { readCogs } from './cogs.ts';

/** The cogs on the wheel, typed as a list; a hub gear or single speed is one cog. */
export function CogsField() {
  const { cogTeeth } = useDocument().gearing;
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useKeptText('gearing.cogTeeth');
  const id = useId();
  const read = text === undefined ? undefined : readCogs(text);
  const error = read?.ok === false ? read.why : undefined;
  return (
    <div>
      <div className={CHOICE_ROW}>
        <label htmlFor={id}>Cogs, teeth</label>
        <input
          id={id}
          inputMode="numeric"
          autoComplete="off"
          className={`num h-[24px] w-full min-w-0 bg-field px-2 text-[13.5px] outline-none focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-9 print:h-6! ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
          value={text ?? cogTeeth.join(' ')}
          aria-invalid={error !== undefined}
          aria-describedby={error === undefined ? undefined : `${id}-why`}
          onChange={(event) => {
            const next = readCogs(event.target.value);
            setText(event.target.value, !next.ok);
            if (next.ok)
              edit((d) => withSection(d, 'gearing', { cogTeeth: next.cogs }), 'cogs', 'gearing.cogTeeth');
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
