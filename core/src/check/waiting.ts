import { specAt, type QuantityPath } from '../document/document.ts';
import type { Check } from './check.ts';

/** A measure or an answer, and how many checks wait for it. */
interface Want {
  /** As it stands in a sentence: "dropout width", "frame material". */
  readonly words: string;
  readonly checks: number;
}

/** Checks as a list shows them. */
export interface Shown {
  /** One line each. */
  readonly lines: readonly Check[];
  /** Not told yet, and of no harm at usual values: one line for all of them. */
  readonly folded: readonly Check[];
  /** What the folded ones wait for, what settles most first. */
  readonly wants: readonly Want[];
}

/** So few lines that cannot be told are read one by one. */
const FEW = 4;

const inSentence = (path: QuantityPath): string => {
  const { label } = specAt(path);
  return label.charAt(0).toLowerCase() + label.slice(1);
};

/** What a check waits for, in words. */
export const wantsOf = ({ missing, unanswered }: Check): readonly string[] => [
  ...missing.map(inSentence),
  ...unanswered,
];

/**
 * Parts what has to be read from what only waits: of many checks that cannot be told, those that would ask for
 * something at usual values stand for themselves, the others are gathered by what they wait for. They stay unknown.
 */
export function shownOf(checks: readonly Check[]): Shown {
  const unknown = checks.filter((c) => c.state === 'unknown');
  const folded = unknown.length > FEW ? unknown.filter((c) => c.would === 'fine') : [];
  const counts = new Map<string, number>();
  for (const words of folded.flatMap(wantsOf)) counts.set(words, (counts.get(words) ?? 0) + 1);
  return {
    lines: checks.filter((c) => !folded.includes(c)),
    folded,
    wants: [...counts].map(([words, n]) => ({ words, checks: n })).sort((a, b) => b.checks - a.checks),
  };
}
