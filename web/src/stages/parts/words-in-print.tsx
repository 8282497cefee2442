import { GLOSSARY, stageOf, type StageId } from '@apple-cart/core';
import { capital } from '../../ui/capital.ts';

/** Only on paper: the words of the trade that a stage's fields use, in a sentence each. */
export function WordsInPrint({ id }: { id: StageId }) {
  const terms = GLOSSARY.filter(({ paths }) => paths.some((path) => stageOf(path) === id));
  if (terms.length === 0) return null;
  return (
    <section className="hidden pt-3 text-[11px] leading-snug print:block" aria-label="Words">
      <p className="border-b border-ink font-semibold">Words on this sheet</p>
      <dl className="columns-2 gap-6 pt-1">
        {terms.map((term) => (
          <div key={term.id} className="break-inside-avoid pb-1">
            <dt className="inline font-semibold">{capital(term.name)}.</dt>{' '}
            <dd className="inline">{term.says}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
