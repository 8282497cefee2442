/** What a machine does that it should not, in the words of whoever brings it in. */
export const SYMPTOMS = [
  'dark',
  'no-drive',
  'cuts-out-hills',
  'cuts-out-full',
  'weak',
  'runs-on',
  'jerks',
  'grinds',
  'noise',
  'hot',
  'wrong-speed',
  'spark',
  'one-battery',
  'spokes',
  'runs-free',
] as const;
export type SymptomId = (typeof SYMPTOMS)[number];

/** What a build can show: with one pack there is no other that works. */
export const symptomsOf = (packs: number): readonly SymptomId[] =>
  SYMPTOMS.filter((s) => s !== 'one-battery' || packs > 1);
