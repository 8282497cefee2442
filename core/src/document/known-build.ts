import type { Unit } from '../quantity/units.ts';
import type { QuantityPath, SPECS, SectionName } from './document.ts';

/** Where a value that the computation uses comes from; `worked` means worked out from other values. */
export type KnownSource = 'measured' | 'label' | 'assumed' | 'unknown' | 'worked';

/** A quantity ready for use: the entered value, or the stated default of an unknown one. */
export interface Known {
  readonly path: QuantityPath;
  readonly label: string;
  readonly unit: Unit;
  readonly value: number;
  readonly source: KnownSource;
  /** Where a default comes from; empty for entered values. */
  readonly origin: string;
}

/** All quantities of a build by section and key, with unknowns replaced by their stated defaults. */
export type KnownBuild = {
  readonly [S in SectionName]: { readonly [K in keyof (typeof SPECS)[S]]: Known };
};
