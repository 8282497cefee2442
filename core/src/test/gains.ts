import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { changeGains, type StepGains } from '../explore/change/gains.ts';
import { shippedRules } from '../law/rules.ts';
import { part } from '../parts/part.ts';
import { ended } from './ended.ts';

export const shelf = shelfFile.map((file) => part.parse(file));
export const book = shippedRules();

export const gainsOf = (build: BuildDocument): StepGains => ended(changeGains(build, shelf, book));
export const one = (gains: StepGains, id: string) => {
  const found = gains.steps.find((s) => s.id === id);
  if (found === undefined) throw new Error(`no step ${id} among ${gains.steps.map((s) => s.id).join()}`);
  return found;
};

export const partOf = (id: string) => {
  const found = shelf.find((p) => p.id === id);
  if (found === undefined) throw new Error(`no part ${id}`);
  return found;
};
