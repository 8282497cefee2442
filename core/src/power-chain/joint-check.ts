import { told, type Check } from '../check/check.ts';
import type { PowerSubject } from './subject.ts';

const WORDS = { crimped: 'crimped', soldered: 'soldered', both: 'crimped, then soldered' } as const;

/**
 * How contacts are put onto leads, once somebody has decided: either school holds where it is done well, but not on every metal and
 * not in every place. Common practice, no source.
 */
export function jointCheck({ build: { cabling } }: PowerSubject): readonly Check[] {
  const { joints, conductor, passes } = cabling;
  if (joints === 'unknown') return [];
  const base = {
    id: 'joints',
    group: 'leads' as const,
    title: 'How contacts are put onto the leads',
    words: WORDS[joints],
    limit: ['a joint that neither pulls out nor warms'],
    origin: 'common practice' as const,
    inputs: [],
    asked: [],
  };
  if (joints !== 'crimped' && conductor !== 'copper')
    return [
      told({
        ...base,
        state: 'look',
        why: ['Ordinary solder does not wet aluminium, nor copper-clad leads once they are stripped hard.'],
        remedy: ['Take copper, or crimp with contacts that are made for aluminium.'],
      }),
    ];
  if (joints === 'soldered' && passes.includes('rings'))
    return [
      told({
        ...base,
        state: 'look',
        why: ['A ring that runs hot melts its solder and lets the lead go.'],
        remedy: ['Crimp the rings with the tool for their size; plugs may be soldered.'],
      }),
    ];
  return [
    told({
      ...base,
      state: 'fine',
      why: [
        joints === 'crimped'
          ? 'The tool for the contact presses the strands to one; the bench pulls at each.'
          : 'Solder makes the strands stiff where it ends: the lead is held behind it, and the bench looks at each.',
      ],
      remedy: [],
    }),
  ];
}
