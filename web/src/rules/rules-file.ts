import type { PlaceRules } from '@apple-cart/core';
import { downloadText } from '../files/download.ts';

/** Hands the rules of a place over as a file, to share or to change by hand. */
export const rulesFile = (rules: PlaceRules): void => {
  downloadText(`${rules.id}.rules.json`, `${JSON.stringify(rules, null, 2)}\n`, 'application/json');
};
