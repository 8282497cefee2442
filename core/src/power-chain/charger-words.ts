import { CHEMISTRIES } from '../document/chemistries.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { fullChargeVolts, type Pack } from '../machine/battery.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
import { endSpan, overcharges } from './charging.ts';

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
  const { cellsInSeries, charger, chargeLimitPct } = known.packs[index] ?? known.packs[0];
  const model = packsAboard(build, known)[index]?.pack;
  const { name } = CHEMISTRIES[(build.packs[index] ?? build.packs[0]).chemistry];
  const ends = model === undefined ? undefined : endOfCharge(model, cellsInSeries.source);
  const cells =
    cellsInSeries.source === 'unknown'
      ? [`Cells in series not known, ${name}.`]
      : [`${String(Math.round(cellsInSeries.value))} in series, ${name}.`];
  // A charger's own volts say nothing while nobody has counted what it charges.
  if (ends === undefined || model === undefined)
    return [...cells, ' Charger not known: nothing is charged before the cells are counted.'];
  const volts = charger.volts.value;
  const right: Phrase = ['one that ', ...ends, ', never another.'];
  if (charger.volts.source === 'unknown') return [...cells, ' Charger: ', ...right];
  if (overcharges(volts, model))
    return [...cells, ' Not with its charger of ', qty(volts, 'V', 1), ', which overcharges it: ', ...right];
  return volts < endSpan(model, chargeLimitPct.value / 100)[0]
    ? [...cells, ' Its charger of ', qty(volts, 'V', 1), ' does not fill it. To fill it: ', ...right]
    : [...cells, ' Charger: ', qty(volts, 'V', 1), ', never another.'];
}
