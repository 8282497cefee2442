import type { Check } from '../../check/check.ts';
import type { State } from '../../check/state.ts';
import { idOfPack } from '../../document/pack-names.ts';
import type { Link } from '../../power-chain/link.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import { AS_PLANNED, OF_EACH_PACK } from './fits.ts';
import type { Line } from './line.ts';

/** What has been found of a build that a line can rest on. */
export interface Found {
  readonly checks: readonly Check[];
  readonly powerChecks: readonly Check[];
  readonly chain: { readonly links: readonly Link[] };
}

/** One thing that says whether what is on a line fits together with the rest. */
export interface LineFit {
  readonly id: string;
  readonly title: string;
  readonly state: State;
  readonly why: Phrase;
  readonly remedy: Phrase;
}

type Rests = Pick<Line, 'checks' | 'pack'>;

const checksOf = ({ checks, powerChecks }: Found, id: string, pack = 0): readonly LineFit[] => {
  const own = OF_EACH_PACK.has(id) ? idOfPack(id, pack) : id;
  return [...checks, ...powerChecks].filter((check) => check.id === own);
};

/** Links of a pack's own; of all packs where they are joined to one, or where the line is of none. */
function linksOf({ chain }: Found, id: string, pack: number | undefined): readonly LineFit[] {
  const all = chain.links.filter((link) => link.id === id);
  const own = all.filter((link) => link.pack === pack);
  return (own.length > 0 ? own : all).map(({ name, state, why, remedy, cable }) => ({
    id: `link-${id}-${cable}`,
    title: `${name} against its current`,
    state,
    why,
    remedy,
  }));
}

/** The checks of fit and of the power chain, and the links of it, that a line rests on: of its own pack, where it is of one. */
export const fitsOf = ({ checks, pack }: Rests, found: Found): readonly LineFit[] =>
  checks.flatMap((id) => [...checksOf(found, id, pack), ...linksOf(found, id, pack)]);

/**
 * What a row stops at: it should not be bought as it stands. What is bought to mend what was found is right, and nothing is known of
 * what was added by hand.
 */
export const stopsOf = (
  { line }: { readonly line: (Rests & Pick<Line, 'rule'>) | undefined },
  found: Found,
): readonly LineFit[] =>
  line === undefined || !AS_PLANNED.has(line.rule)
    ? []
    : fitsOf(line, found).filter(({ state }) => state === 'stop');
