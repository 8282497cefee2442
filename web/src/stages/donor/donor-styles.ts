import { firstOf, usualPlace, type BuildDocument, type DonorStyle } from '@apple-cart/core';
import { withSection } from '../../state/paths.ts';
import { allIn } from './pack-boxes.ts';

/** The donor's styles in words. */
export const STYLE_NAMES: readonly { readonly value: DonorStyle; readonly label: string }[] = [
  { value: 'diamond', label: 'diamond frame' },
  { value: 'step-through', label: 'step-through' },
  { value: 'small-wheel', label: 'small-wheel compact' },
  { value: 'folding', label: 'folding' },
  { value: 'fat', label: 'fat-tyre' },
  { value: 'full-suspension', label: 'full suspension' },
  { value: 'recumbent', label: 'recumbent' },
  { value: 'tandem', label: 'tandem' },
  { value: 'longtail', label: 'longtail' },
  { value: 'trike', label: 'trike' },
  { value: 'carriage', label: 'four-wheel carriage' },
];

/** A build on another style of donor: its wheels, and its packs where that style has room for them. */
export function withStyle(build: BuildDocument, style: DonorStyle): BuildDocument {
  const next = withSection(build, 'donor', { style, wheelCount: wheelsOf(style), points: {} });
  return build.packs.reduce((all, _, i) => allIn(all, i, usualPlace(style)), next);
}

/** How many wheels a style usually stands on. */
export const wheelsOf = (style: DonorStyle): 2 | 3 | 4 =>
  firstOf(
    [
      [style === 'trike', 3],
      [style === 'carriage', 4],
    ],
    2,
  );
