import { describe, expect, it } from 'vitest';
import { GLOSSARY, QUANTITY_PATHS, STAGE_IDS } from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS } from '../screens/registry.ts';
import { findScore } from './find-score.ts';
import { CHOICE_WORDS, PRINT_WORDS, VIEW_WORDS, fieldWords } from './find-words.ts';

const views = STAGE_IDS.flatMap((stage) =>
  SCREENS[stage].views.map((view) => ({ at: `${stage}/${view.id}`, name: view.name, stage })),
);
/** Everything that the box offers in a build, as it is scored there. */
const entries = [
  ...STAGE_IDS.map((stage) => ({ at: stage, words: `stage ${SCREENS[stage].name}` })),
  ...views.map(({ at, name, stage }) => ({
    at,
    words: `${name} ${SCREENS[stage].name} ${VIEW_WORDS[at] ?? ''}`,
  })),
  ...CHOICE_WORDS.map(({ name, also, at }) => ({ at: `${at}: ${name}`, words: `${name} ${also}` })),
  ...QUANTITY_PATHS.map((path) => ({ at: path, words: fieldWords(path) })),
  ...GLOSSARY.map((term) => ({ at: `#${term.id}`, words: `${term.name} ${term.also.join(' ')} meaning` })),
];
const found = (typed: string): readonly string[] =>
  entries
    .map((e) => [findScore(e.words, typed), e.at] as const)
    .filter(([score]) => score > 0)
    .sort((a, b) => b[0] - a[0])
    .slice(0, 5)
    .map(([, at]) => at);

describe('the find box', () => {
  it('has words for every view and every printed page, and for none that there is not', () => {
    expect(Object.keys(PRINT_WORDS).toSorted()).toEqual(PRINTED_PAGES.map((p) => p.path).toSorted());
    expect(Object.keys(VIEW_WORDS).toSorted()).toEqual(views.map((v) => v.at).toSorted());
  });

  it.each([
    ['cuts out', 'road/faults'],
    ['diagnose', 'road/faults'],
    ['spokes due', 'road/upkeep'],
    ['pinout', 'wire/pins'],
    ['hall order', 'wire/phases'],
    ['second battery', 'power/packs'],
    ['overheat', 'hill/heat'],
    ['helmet', 'law/duties'],
    ['tornado', 'change/moves'],
    ['log ride', 'road/rides'],
    ['partial charging', 'power/charge'],
    ['which motor', 'change/search'],
  ])('finds "%s" at %s', (typed, at) => {
    expect(found(typed)).toContain(at);
  });

  it('finds every view by its own name, among the first', () => {
    for (const { name, at } of views)
      expect(
        found(name).some((f) => f === at || views.some((v) => v.at === f && v.name === name)),
        name,
      ).toBe(true);
  });
});
