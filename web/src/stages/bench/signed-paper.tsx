import type { Kept, SignedDrawing, SignedSheet } from '@apple-cart/core';
import { drawnNodes } from '../../drawing/sketch.tsx';
import { atWords } from './at-words.ts';

/** Shares of the width by how many columns a section has, %: columns of one kind stand below each other in every section. */
const SHARES: Readonly<Record<number, readonly number[]>> = {
  2: [28, 72],
  3: [16, 70, 14],
  4: [24, 24, 36, 16],
  7: [5, 29, 15, 14, 9, 14, 14],
};

/** The machine as it was drawn when it was signed. */
const Drawing = ({ drawing: { width, height, shapes } }: { drawing: SignedDrawing }) => (
  <svg
    viewBox={`0 0 ${String(width)} ${String(height)}`}
    className="block w-full max-w-[300px]"
    role="img"
    aria-label="Side view, as it was signed"
  >
    {drawnNodes(shapes)}
  </svg>
);

/** A hand-over on paper: what was signed, and beneath it who signed and what was put right later. */
export function SignedPaper({ sheet, signs }: { sheet: SignedSheet; signs: readonly Kept<'bench-sign'>[] }) {
  return (
    <article data-testid="hand-over-sheet" className="text-[12.5px] leading-snug">
      <h2 className="head border-b-2 border-ink pb-1 text-[20px] font-extrabold">{sheet.title}</h2>
      {sheet.drawing !== null && <Drawing drawing={sheet.drawing} />}
      {sheet.sections
        .filter((s) => s.rows.length > 0)
        .map((section) => (
          <section key={section.title} className="pt-2.5">
            <h3 className="head border-b-[1.5px] border-ink text-[14px] first-letter:uppercase">
              {section.title}
            </h3>
            {section.note !== '' && <p className="pt-0.5 text-ink2">{section.note}</p>}
            <table className="w-full table-fixed border-collapse wrap-break-word max-tablet:table-auto">
              <colgroup>
                {(SHARES[section.rows[0]?.length ?? 0] ?? []).map((share, i) => (
                  <col key={i} style={{ width: `${String(share)}%` }} />
                ))}
              </colgroup>
              <tbody>
                {section.rows.map((row, i) => (
                  <tr key={i} className="border-b border-hair align-top">
                    {row.map((cell, j) => (
                      <td key={j} className="py-0.5 pr-2">
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        ))}
      <section className="keep-together grid gap-4 pt-4">
        {signs.map((s) => (
          <p key={s.key} className="border-b border-ink pb-1">
            Signed by <b>{s.data.who}</b>
            {s.data.role === '' ? '' : `, ${s.data.role}`}, {atWords(s.at, 'long')}; {s.data.passed} passed,{' '}
            {s.data.waived} waived.
            {s.data.words === '' ? '' : ` ${s.data.words}`}
          </p>
        ))}
        <div className="grid grid-cols-2 gap-8 pt-6 text-[12px]">
          <p className="border-t border-ink pt-1">Handed over, name and date</p>
          <p className="border-t border-ink pt-1">Taken over, name and date</p>
        </div>
      </section>
    </article>
  );
}
