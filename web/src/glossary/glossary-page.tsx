import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { GLOSSARY, type Term } from '@apple-cart/core';
import { ListPage } from '../frame/list-page.tsx';
import { capital } from '../ui/capital.ts';
import { TermDrawing } from '../words/term-drawing.tsx';

const BY_NAME: readonly Term[] = GLOSSARY.toSorted((a, b) => a.name.localeCompare(b.name, 'en'));

/** Every word of the trade that the product uses, by name; one may be named in the address. */
export function GlossaryPage() {
  const { hash } = useLocation();
  const wanted = hash.slice(1);
  useEffect(() => {
    document.querySelector(`[data-term="${CSS.escape(wanted)}"]`)?.scrollIntoView({ block: 'center' });
  }, [wanted]);
  return (
    <ListPage
      title="Words"
      words="The trade’s own words, as they are used here. They stand beside their fields too."
    >
      <dl className="gap-x-8 tablet:columns-2" tabIndex={0} aria-label="Words of the trade">
        {BY_NAME.map((term) => (
          <div
            key={term.id}
            data-term={term.id}
            className={`break-inside-avoid border-b border-rule py-2.5 ${term.id === wanted ? 'bg-slate-tint px-2' : ''}`}
          >
            <dt className="head text-[16px]">{capital(term.name)}</dt>
            <dd className="leading-snug">
              {term.says}
              {term.also.length > 0 && (
                <span className="block text-[12.5px] text-ink2">Also said: {term.also.join(', ')}.</span>
              )}
              <TermDrawing id={term.id} />
            </dd>
          </div>
        ))}
      </dl>
    </ListPage>
  );
}
