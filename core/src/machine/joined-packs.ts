import { supplyAt, type Pack, type PackWarmth } from './battery.ts';

/** Two bodies that warm together: what heats one and leaves it adds, in the air of the first. */
const together = (a: PackWarmth | undefined, b: PackWarmth | undefined): PackWarmth | undefined =>
  a && b && { heatJK: a.heatJK + b.heatJK, lossWK: a.lossWK + b.lossWK, airC: a.airC };

/**
 * Two packs of one kind joined directly behave as one: amp-hours, heat and the outside add, resistances lie side by side. They
 * are as warm as both are on average, by their amp-hours.
 */
export function merged(first: Pack, second: Pack): Pack {
  const capacityAh = first.capacityAh + second.capacityAh;
  const side = (a: number, b: number): number => (a * b) / Math.max(1e-9, a + b);
  const wiringOhm = side(first.wiringOhm, second.wiringOhm);
  const mean = (of: (pack: Pack) => number): number =>
    (first.capacityAh * of(first) + second.capacityAh * of(second)) / capacityAh;
  const health = mean((pack) => pack.health);
  const temperatureC = mean((pack) => pack.temperatureC);
  const warms = together(first.warms, second.warms);
  const cells = (pack: Pack): number => supplyAt({ ...pack, wiringOhm: 0 }, 0.5).ohm;
  // What a group of 1 ohm would make of the pair's age and cold: the pair's own ohm is a multiple of it.
  const unit: Pack = {
    ...first,
    capacityAh,
    health,
    wiringOhm,
    temperatureC,
    groupOhm: 1,
    ...(warms && { warms }),
  };
  return { ...unit, groupOhm: side(cells(first), cells(second)) / cells(unit) };
}

/** All of them are of one kind. */
export const allAlike = ([first, ...others]: readonly Pack[]): boolean =>
  first === undefined || others.every((other) => sameKind(first, other));

/** True where packs may be joined directly at all: one chemistry, one count in series. */
export const sameKind = (first: Pack, second: Pack): boolean =>
  first.cellsInSeries === second.cellsInSeries && first.chemistry === second.chemistry;
