import { labelLines, labelledCategory } from '../law/label.ts';
import type { Category } from '../law/rule-schema.ts';
import type { Verdict } from './evaluate.ts';

/** The label that a machine may bear, or in a sentence why it may bear none. */
export type ClassLabel =
  | { readonly lines: readonly string[]; readonly category: Category }
  | { readonly lines: undefined; readonly why: string };

/**
 * The label of a build's class, filled in from the build. None where the machine is in no class that asks for one, and none where
 * its controller was set to be another than the plan: a label must not state a class that the machine is not in.
 */
export function classLabel({ law, known }: Pick<Verdict, 'law' | 'known'>): ClassLabel {
  const { here, ways, asSet } = law;
  if (asSet !== undefined)
    return {
      lines: undefined,
      why: 'None is printed: as its controller is set it is another class than by the plan. Set it as planned and read it back, or change the plan.',
    };
  const category = labelledCategory(here);
  const facts = ways[0]?.facts;
  const permitted = known.donor.permittedKg;
  const lines =
    category === undefined || facts === undefined
      ? undefined
      : labelLines(category, facts, permitted.source === 'unknown' ? undefined : permitted.value);
  if (category !== undefined && lines !== undefined) return { lines, category };
  return {
    lines: undefined,
    why:
      here.failing.length > 0
        ? 'None is printed: a label must not state a class that the machine is not in. Bring it into the class first.'
        : 'None that is remembered for what it is here: ask the authority.',
  };
}
