import { useId } from 'react';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useKeptText } from '../state/kept-text.ts';
import { withSection } from '../state/paths.ts';
import { CHOICE_ROW } from './choice-field.tsx';
import { readRatios } from './ratios.ts';

/** Ratios of a hub gear or two-speed change, typed as a list; empty without one. */
export function RatiosField() {
  const { hubRatios } = useDocument().gearing;
  const edit = useBuild((state) => state.edit);
  const [text, setText] = useKeptText('gearing.hubRatios');
  const id = useId();
  const read = text === undefined ? undefined : readRatios(text);
  const error = read?.ok === false ? read.why : undefined;
  return (
    <div>
      <div className={CHOICE_ROW}>
        <label htmlFor={id}>Hub gear, ratios</label>
        <input
          id={id}
          inputMode="decimal"
          autoComplete="off"
          placeholder="none"
          className={`num h-[24px] w-full min-w-0 bg-field px-2 text-[13.5px] outline-none focus:shadow-[inset_0_0_0_2px_var(--slate-fill)] max-bench:h-9 print:h-6! ${error === undefined ? 'border-b border-ink3' : 'border-b-2 border-stop'}`}
          value={text ?? hubRatios.join(' ')}
          aria-invalid={error !== undefined}
          aria-describedby={error === undefined ? undefined : `${id}-why`}
          onChange={(event) => {
            const next = readRatios(event.target.value);
            setText(event.target.value, !next.ok);
            if (next.ok)
              edit(
                (d) => withSection(d, 'gearing', { hubRatios: next.ratios, heldHubGear: null }),
                'hub gear',
                'gearing.hubRatios',
              );
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
