import { formatQuantity } from './format.ts';
import { convert, type Unit } from './units.ts';
import { shownUnit, type UnitSystem } from './unit-system.ts';

/** Words with quantities inside, so that the reader's units are chosen once, at the edge. */
export type Phrase = readonly (
  string | { readonly value: number; readonly unit: Unit; readonly digits?: number | undefined }
)[];

/** A quantity inside a phrase. */
export const qty = (value: number, unit: Unit, digits?: number) =>
  digits === undefined ? { value, unit } : { value, unit, digits };

/** The phrase as plain text in a system of units. */
export const phraseText = (phrase: Phrase, system: UnitSystem = 'metric'): string =>
  phrase
    .map((part) => {
      if (typeof part === 'string') return part;
      const unit = shownUnit(part.unit, system);
      // An inch is 25 of the millimetres that the decimals were meant for.
      const finer = part.unit === 'mm' && unit === 'in' ? 2 : 0;
      const digits = part.digits === undefined ? undefined : part.digits + finer;
      return formatQuantity(convert(part.value, part.unit, unit), unit, digits);
    })
    .join('');
