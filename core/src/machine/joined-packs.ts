import { supplyAt, type Pack } from './battery.ts';

/** Two packs of one kind joined directly behave as one: amp-hours add, resistances lie side by side. */
export function merged(first: Pack, second: Pack): Pack {
  const capacityAh = first.capacityAh + second.capacityAh;
  const side = (a: number, b: number): number => (a * b) / Math.max(1e-9, a + b);
  const wiringOhm = side(first.wiringOhm, second.wiringOhm);
  const health = (first.capacityAh * first.health + second.capacityAh * second.health) / capacityAh;
  const cells = (pack: Pack): number => supplyAt({ ...pack, wiringOhm: 0 }, 0.5).ohm;
  // What a group of 1 ohm would make of the pair's age and cold: the pair's own ohm is a multiple of it.
  const unit: Pack = { ...first, capacityAh, health, wiringOhm, groupOhm: 1 };
  return { ...unit, groupOhm: side(cells(first), cells(second)) / cells(unit) };
}

/** True where packs may be joined directly at all: one chemistry, one count in series. */
export const sameKind = (first: Pack, second: Pack): boolean =>
  first.cellsInSeries === second.cellsInSeries && first.chemistry === second.chemistry;
