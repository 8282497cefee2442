import { firstOf } from '@apple-cart/core';
import { Link } from 'react-router';
import type { Certainty, PlaceRules } from '@apple-cart/core';
import { CertaintyMark } from '../stages/law/certainty-mark.tsx';
import type { ListedRules } from '@apple-cart/contracts';
import { TextButton } from '../ui/text-button.tsx';
import { rulesFile } from './rules-file.ts';

const ORIGIN: Readonly<Record<ListedRules['origin'], string>> = {
  shipped: 'as shipped',
  corrected: 'corrected by you',
  own: 'your own',
};

/** The least sure of a place's limits. */
function leastSure(rules: PlaceRules): Certainty {
  const all = rules.tests.flatMap((t) => t.categories.flatMap((c) => c.clauses.map((l) => l.certainty)));
  return firstOf(
    [
      [all.includes('low'), 'low'],
      [all.includes('medium'), 'medium'],
    ],
    'high',
  );
}

/** The places of the book, with how sure their rules are and whose they are. */
export function RulesTable({
  shown,
  all,
  onRemove,
}: {
  shown: readonly ListedRules[];
  all: readonly ListedRules[];
  onRemove: (one: ListedRules) => void;
}) {
  return (
    <table className="w-full border-collapse text-[14px]">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
          <th className="py-1.5 font-semibold">Place</th>
          <th className="py-1.5 font-semibold max-tablet:hidden">Classes</th>
          <th className="py-1.5 font-semibold max-tablet:hidden">Read</th>
          <th className="py-1.5 font-semibold max-tablet:hidden">Least sure limit</th>
          <th className="py-1.5 font-semibold">Whose</th>
          <td />
        </tr>
      </thead>
      <tbody>
        {shown.map((one) => {
          const { document: rules, origin } = one;
          const classes = rules.tests.flatMap((t) => t.categories.map((c) => c.shortName));
          const also = rules.also.map((id) => all.find((l) => l.id === id)?.document.shortName ?? id);
          return (
            <tr key={rules.id} className="border-b border-hair align-top" data-rules={rules.id}>
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                <Link
                  to={`/rules/${rules.id}`}
                  className="inline-block py-0.5 font-semibold hover:underline max-bench:min-w-11 max-bench:py-3.5"
                >
                  {rules.name}
                </Link>
                <span className="block text-[12px] text-ink2">{rules.region}</span>
              </th>
              <td className="py-1.5 pr-2 text-[13px] text-ink2 max-tablet:hidden">
                {classes.join(', ')}
                {also.length > 0 && `${classes.length > 0 ? '; ' : ''}and ${also.join(', ')}`}
                {rules.ask && '; ask the authority'}
              </td>
              <td className="num py-1.5 pr-2 max-tablet:hidden">{rules.readYear}</td>
              <td className="py-1.5 pr-2 text-[12.5px] max-tablet:hidden">
                {rules.tests.length === 0 ? '' : <CertaintyMark certainty={leastSure(rules)} />}
              </td>
              <td
                className={`py-1.5 pr-2 text-[13px] ${origin === 'shipped' ? 'text-ink2' : 'font-semibold'}`}
              >
                {ORIGIN[origin]}
              </td>
              <td className="py-1 text-right whitespace-nowrap">
                <TextButton
                  aria-label={`File: the rules of ${rules.name}`}
                  onClick={() => {
                    rulesFile(rules);
                  }}
                >
                  File
                </TextButton>
                {origin !== 'shipped' && (
                  <TextButton
                    aria-label={origin === 'own' ? `Take out ${rules.name}` : `${rules.name} as shipped`}
                    onClick={() => {
                      onRemove(one);
                    }}
                  >
                    {origin === 'own' ? 'Take out' : 'As shipped'}
                  </TextButton>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
