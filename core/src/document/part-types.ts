/** What the shelf holds, and what a build remembers having copied from it. */
export const PART_TYPES = [
  'donor',
  'motor',
  'ring',
  'cogs',
  'tyre',
  'pack',
  'cell',
  'controller',
  'charger',
  'connector',
  'wire',
] as const;
export type PartType = (typeof PART_TYPES)[number];
