import type { BuildDocument } from '../document/document.ts';
import { shippedRules } from '../law/rules.ts';
import type { Part } from '../parts/part.ts';
import { evaluate as evaluateBy, type Verdict } from '../verdict/evaluate.ts';

/** Evaluates by the rules that ship with the product. */
export const evaluate = (build: BuildDocument, shelf: readonly Part[] = []): Verdict =>
  evaluateBy(build, shippedRules(), shelf);
