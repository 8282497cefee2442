import type { Unit } from '../quantity/units.ts';
import type { PACK_SPECS, QuantityPath, SPECS, SectionName } from './document.ts';

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
  /** Standard deviation as a share of it, where a measurement or a default says it. */
  readonly spread?: number;
  /** Of an unknown value that is worked out of others: which of those nobody has read. */
  readonly restsOn?: readonly Known[];
}

/** All quantities of a build by section and key, with unknowns replaced by their stated defaults. */
export type KnownBuild = {
  readonly [S in SectionName]: { readonly [K in keyof (typeof SPECS)[S]]: Known };
} & { readonly packs: readonly [KnownPack, ...KnownPack[]] };

type Resolved<S> = { readonly [K in keyof S]: Known };

/** All quantities of one pack, with those of its cells and its charger. */
export type KnownPack = Resolved<(typeof PACK_SPECS)['own']> & {
  readonly cell: Resolved<(typeof PACK_SPECS)['cell']>;
  readonly charger: Resolved<(typeof PACK_SPECS)['charger']>;
};
