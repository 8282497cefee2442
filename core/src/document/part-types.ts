/** Parts that are copied into one pack of a build. */
export const PACK_PART_TYPES = ['pack', 'cell', 'charger'] as const;
export type PackPartType = (typeof PACK_PART_TYPES)[number];

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

export const isPackPart = (type: PartType): type is PackPartType =>
  (PACK_PART_TYPES as readonly PartType[]).includes(type);
