import type { BuildDocument, QuantityPath } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Machine } from '../machine/machine.ts';
import type { Phrase } from '../quantity/phrase.ts';
import type { UnitSystem } from '../quantity/unit-system.ts';
import type { Unit } from '../quantity/units.ts';

/** Words that name what an instrument shows in the reader's units: marks of a speedometer are round ones of its own. */
export type Told = string | Readonly<Record<UnitSystem, string>>;

/** Those words as a reader has them. */
export const toldIn = (told: Told, system: UnitSystem): string =>
  typeof told === 'string' ? told : told[system];

/** One reading that a measurement takes. */
export interface Reading {
  readonly key: string;
  readonly label: Told;
  readonly unit: Unit;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly digits: number;
  /** May be left out. */
  readonly optional?: true;
  /** Taken on some builds only. */
  readonly when?: (build: BuildDocument) => boolean;
}

/** What a measurement gives: values with one standard deviation, each in the unit of its quantity. */
export interface MeasuredValue {
  readonly path: QuantityPath;
  readonly value: number;
  readonly sd: number;
}

export type MeasureOutcome =
  | {
      readonly ok: true;
      readonly values: readonly [MeasuredValue, ...MeasuredValue[]];
      readonly words: Phrase;
    }
  | { readonly ok: false; readonly problem: Phrase };

/** What a measurement may need of the build beside its readings. */
interface MeasureScene {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  /** Which pack the value is of, from 0. */
  readonly pack: number;
  /** Whose marks were read: those of a speedometer in km/h, or in mph. */
  readonly system: UnitSystem;
}

/** Readings by their key; one that was left out is undefined. */
export type Readings = Readonly<Record<string, number | undefined>>;

/** A measurement that works a value of the build out of readings taken at the bench or on the road. */
export interface MeasureHelper {
  readonly id: MeasureId;
  readonly title: string;
  /** What to do, in a sentence or two. */
  readonly how: Told;
  /** Where it can hurt. */
  readonly caution: string | undefined;
  readonly readings: readonly Reading[];
  work(readings: Readings, scene: MeasureScene): MeasureOutcome;
}

export type MeasureId =
  | 'spin'
  | 'winding'
  | 'sag'
  | 'roll-out'
  | 'scales'
  | 'level'
  | 'telephone'
  | 'coast-down'
  | 'hub-drag';

export const reading = (
  key: string,
  label: Told,
  unit: Unit,
  [min, max]: readonly [number, number],
  step: number,
  digits: number,
): Reading => ({ key, label, unit, min, max, step, digits });

export const optional = (one: Reading): Reading => ({ ...one, optional: true });

export const wrong = (...problem: Phrase): MeasureOutcome => ({ ok: false, problem });
