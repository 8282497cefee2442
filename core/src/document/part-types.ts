/** Parts that are copied into one pack of a build. */
export const PACK_PART_TYPES = ['pack', 'cell', 'charger'] as const;
export type PackPartType = (typeof PACK_PART_TYPES)[number];

/** Small parts, what is used up, and tools: they change no figure of a build, and fill lines of its parts list. */
const SMALL_PART_TYPES = ['fitting', 'consumable', 'tool'] as const;
type SmallPartType = (typeof SMALL_PART_TYPES)[number];

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
  ...SMALL_PART_TYPES,
] as const;
export type PartType = (typeof PART_TYPES)[number];

export const isPackPart = (type: PartType): type is PackPartType =>
  (PACK_PART_TYPES as readonly PartType[]).includes(type);

export const isSmallPart = (type: PartType): type is SmallPartType =>
  (SMALL_PART_TYPES as readonly PartType[]).includes(type);
