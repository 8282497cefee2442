import { CHEMISTRIES } from '../document/chemistries.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { packsAboard } from '../machine/assemble.ts';
import { fullChargeVolts, type Pack } from '../machine/battery.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { endSpan } from './charge-checks.ts';

/** Where the charge of a pack ends by its chemistry and cells, V; undefined where nobody has counted the cells. */
export function endOfCharge(pack: Pack, counted: Known['source']): Phrase | undefined {
  if (counted === 'unknown') return undefined;
  const [least, most] = endSpan(pack);
  return pack.chemistry === 'lead-acid'
    ? ['ends between ', qty(least, 'V', 1), ' and ', qty(most, 'V', 1)]
    : ['ends at ', qty(fullChargeVolts(pack), 'V', 1)];
}

/** Cells and charger of a pack for the card in the saddlebag: what nobody has said is not printed as if it were known. */
export function chargerWords(build: BuildDocument, known: KnownBuild, index: number): Phrase {
  const { cellsInSeries, charger } = known.packs[index] ?? known.packs[0];
  const model = packsAboard(build, known)[index]?.pack;
  const { name } = CHEMISTRIES[(build.packs[index] ?? build.packs[0]).chemistry];
  const ends = model === undefined ? undefined : endOfCharge(model, cellsInSeries.source);
  const cells =
    cellsInSeries.source === 'unknown'
      ? [`Cells in series not known, ${name}.`]
      : [`${String(Math.round(cellsInSeries.value))} in series, ${name}.`];
  if (charger.volts.source !== 'unknown')
    return [...cells, ' Charger: ', qty(charger.volts.value, 'V', 1), ', never another.'];
  return ends === undefined
    ? [...cells, ' Charger not known: nothing is charged before the cells are counted.']
    : [...cells, ' Charger: one that ', ...ends, ', never another.'];
}
