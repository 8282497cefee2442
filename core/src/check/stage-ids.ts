/** The stages of the work, in working order. */
export const STAGE_IDS = [
  'brief',
  'donor',
  'drive',
  'power',
  'law',
  'hill',
  'range',
  'buy',
  'wire',
  'bench',
  'setup',
  'road',
  'change',
] as const;
export type StageId = (typeof STAGE_IDS)[number];
