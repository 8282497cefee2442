import { CHEMISTRIES, type Chemistry, type PartField } from '@apple-cart/core';

/** Choices whose stored word is not one that people say. */
const WORDS: Readonly<Record<string, string>> = {
  'geared-hub': 'geared hub',
  'direct-drive-hub': 'direct-drive hub',
  'copper-clad': 'copper-clad aluminium',
  'cable-disc': 'cable disc',
  'hydraulic-disc': 'hydraulic disc',
  'cut-off': 'with cut-off switch',
  'shift-brake': 'shift and brake in one',
  electronic: 'three leads, no brushes',
  brushes: 'two leads, brushes',
  fat: 'fat-tyre',
  carriage: 'four-wheel carriage',
  unknown: 'not known',
};

/** A choice of a part in words; other values as they are. */
export function choiceWords(field: Pick<PartField, 'kind' | 'key'> | undefined, value: string): string {
  // Kinds of line are stored by their keys.
  if (field?.key === 'serves') return value.replaceAll('-', ' ');
  if (field?.kind !== 'choice') return value;
  if (field.key === 'chemistry' && value in CHEMISTRIES) return CHEMISTRIES[value as Chemistry].name;
  return WORDS[value] ?? value;
}
