import { batteryAmps, coldFactor, leastCharge, packWarmed, type Supply } from '../machine/battery.ts';
import type { Machine, PackAboard } from '../machine/machine.ts';
import { chargeRate, packModel, readSupply, type PackModel } from '../machine/pack-model.ts';
import { aboardAt, behindDiodes, mostWatts } from '../machine/diodes.ts';
import { busPoint } from './packs-together.ts';

/** What a step took out of the packs: of the cells' own volts, and lost on the way to the terminals, W. */
interface Drawn {
  amps: number;
  /** Of what a board carries, as a share of its label: the most of any. */
  strain: number;
  openW: number;
  cellsW: number;
  leadsW: number;
}

/** One pack, or several, as a ride drains them. */
export interface PowerSource {
  /** As it stands now. */
  readonly supply: Supply;
  /** Open-circuit volts may rise to this while braking charges. */
  readonly fullVolts: number;
  /** False for a pack that is as good as full, and for packs behind diodes: braking then gives nothing back. */
  readonly takes: boolean;
  /** Charge left of all packs, as a share of all there was to be had. */
  readonly charge: number;
  /** Takes `watts` at the terminals (negative: puts them in) for `dt` seconds and moves on. */
  draw(watts: number, dt: number): Drawn;
  readonly empty: boolean;
  /** Goes over to the next pack; false where there is none. */
  next(): boolean;
}

interface Readable {
  openVolts: number;
  ohm: number;
}

/** The charge stays as it is while the packs are asked: for questions of heat alone. */
export type Draining = 'drains' | 'stays';

/** Above this charge a pack is not charged by braking: its protection may open. Common practice. */
const TAKES_BELOW = 0.95;

class OnePack implements PowerSource {
  private readonly model: PackModel;
  private readonly own = { openVolts: 0, ohm: 0 };
  private readonly drawn: Drawn = { amps: 0, strain: 0, openW: 0, cellsW: 0, leadsW: 0 };
  private readonly drains: boolean;
  private cellC: number;
  private cold: number;
  private least: number;
  charge: number;
  private readonly bmsA: number;

  constructor(model: PackModel, charge: number, bmsA: number, draining: Draining) {
    this.model = model;
    this.charge = charge;
    this.bmsA = bmsA;
    this.drains = draining === 'drains';
    this.cellC = model.pack.temperatureC;
    this.cold = coldFactor(model.pack.chemistry, this.cellC);
    this.least = leastCharge(model.pack.chemistry, this.cellC);
    readSupply(model, charge, this.cold, this.own);
  }
  get supply(): Supply {
    return this.own;
  }
  get fullVolts(): number {
    return this.model.fullVolts;
  }
  get takes(): boolean {
    return this.charge < TAKES_BELOW;
  }
  get empty(): boolean {
    return this.charge <= this.least;
  }
  next(): boolean {
    return false;
  }
  draw(watts: number, dt: number): Drawn {
    const { own, drawn, model } = this;
    // More than the pack can give is never asked by a limited motor; standby alone may ask it of an empty pack.
    const wanted = batteryAmps(own, watts);
    const amps = wanted === Infinity ? own.openVolts / (2 * own.ohm) : wanted;
    drawn.amps = amps;
    drawn.strain = amps / this.bmsA;
    drawn.openW = own.openVolts * amps;
    drawn.leadsW = amps * amps * model.wiringOhm;
    drawn.cellsW = amps * amps * (own.ohm - model.wiringOhm);
    if (this.drains) {
      this.charge -= chargeRate(model, amps) * dt;
      this.warm(drawn.cellsW, dt);
      readSupply(model, this.charge, this.cold, own);
    }
    return drawn;
  }
  /** The cells warm by what they lose; what the cold held back is to be had again. */
  private warm(cellsW: number, dt: number): void {
    const { pack } = this.model;
    const cellC = packWarmed(pack, this.cellC, cellsW, dt);
    if (cellC === this.cellC) return;
    this.cellC = cellC;
    this.cold = coldFactor(pack.chemistry, cellC);
    this.least = leastCharge(pack.chemistry, cellC);
  }
}

/** One pack after the other, changed over by hand when one has nothing more to give. */
class Switched implements PowerSource {
  private readonly packs: readonly PowerSource[];
  /** Each pack's part of all the charge there is to be had. */
  private readonly shares: readonly number[];
  private at = 0;

  constructor(packs: readonly PowerSource[], shares: readonly number[]) {
    this.packs = packs;
    this.shares = shares;
  }
  private get now(): PowerSource {
    const pack = this.packs[this.at];
    if (pack === undefined) throw new TypeError('a machine has at least one pack');
    return pack;
  }
  get supply(): Supply {
    return this.now.supply;
  }
  get fullVolts(): number {
    return this.now.fullVolts;
  }
  get takes(): boolean {
    return this.now.takes;
  }
  get charge(): number {
    let left = 0;
    // What a pack that was changed over still holds is not to be had.
    for (let i = this.at; i < this.packs.length; i += 1)
      left += Math.max(0, this.packs[i]?.charge ?? 0) * (this.shares[i] ?? 0);
    return left;
  }
  get empty(): boolean {
    return this.now.empty;
  }
  next(): boolean {
    if (this.at + 1 >= this.packs.length) return false;
    this.at += 1;
    return true;
  }
  draw(watts: number, dt: number): Drawn {
    return this.now.draw(watts, dt);
  }
}

const NOTHING: Supply = { openVolts: 0, ohm: 1e9 };

/** Several packs behind diodes: what feeds is decided by their volts, and nothing flows back in. */
class Combined implements PowerSource {
  private readonly aboard: readonly PackAboard[];
  private readonly models: readonly PackModel[];
  private readonly charges: number[];
  private readonly own: readonly Readable[];
  private readonly cellsC: number[];
  private readonly diodeV: number;
  private bus: Supply;
  private readonly drawn: Drawn = { amps: 0, strain: 0, openW: 0, cellsW: 0, leadsW: 0 };
  private readonly capacityAs: number;
  private readonly drains: boolean;
  readonly fullVolts = 0;
  readonly takes = false;

  constructor(
    aboard: readonly PackAboard[],
    models: readonly PackModel[],
    diodeV: number,
    draining: Draining,
  ) {
    this.aboard = aboard;
    this.models = models;
    this.charges = aboard.map(({ charge }) => charge);
    this.own = models.map(() => ({ openVolts: 0, ohm: 0 }));
    this.cellsC = models.map((model) => model.pack.temperatureC);
    this.diodeV = diodeV;
    this.drains = draining === 'drains';
    this.capacityAs = models.reduce((sum, m) => sum + m.capacityAs, 0);
    this.bus = this.read();
  }
  get supply(): Supply {
    return this.bus;
  }
  get charge(): number {
    return (
      this.models.reduce((sum, m, i) => sum + Math.max(0, this.charges[i] ?? 0) * m.capacityAs, 0) /
      this.capacityAs
    );
  }
  get empty(): boolean {
    return this.models.every((_, i) => this.isEmpty(i));
  }
  next(): boolean {
    return false;
  }
  private usable(): readonly Supply[] {
    // An empty pack is cut off by its protection.
    return this.own.map((one, i) => (this.isEmpty(i) ? NOTHING : one));
  }
  private isEmpty(i: number): boolean {
    const model = this.models[i];
    if (model === undefined) return true;
    return (this.charges[i] ?? 0) <= leastCharge(model.pack.chemistry, this.cellsC[i] ?? 25);
  }
  private read(): Supply {
    for (const [i, model] of this.models.entries()) {
      const own = this.own[i];
      const cold = coldFactor(model.pack.chemistry, this.cellsC[i] ?? 25);
      if (own !== undefined) readSupply(model, this.charges[i] ?? 0, cold, own);
    }
    const behind = this.own.map(({ openVolts, ohm }, i) => ({
      openVolts: openVolts - this.diodeV,
      ohm,
      bmsA: this.aboard[i]?.bmsA ?? Infinity,
    }));
    const giving = behind.filter((_, i) => !this.isEmpty(i));
    return behindDiodes(giving.length > 0 ? giving : behind);
  }
  draw(watts: number, dt: number): Drawn {
    const { drawn, own, models, charges } = this;
    const most = Math.min(watts, 0.999 * mostWatts(this.bus));
    const point = busPoint(this.usable(), most, 'combiner', this.diodeV);
    drawn.amps = drawn.strain = drawn.openW = drawn.leadsW = drawn.cellsW = 0;
    for (const [i, model] of models.entries()) {
      const amps = point?.amps[i] ?? 0;
      const { openVolts = 0, ohm = 0 } = own[i] ?? {};
      const lossW = amps * amps * (ohm - model.wiringOhm);
      drawn.amps += amps;
      drawn.strain = Math.max(drawn.strain, amps / (this.aboard[i]?.bmsA ?? Infinity));
      drawn.openW += amps * openVolts;
      drawn.leadsW += amps * (amps * model.wiringOhm + this.diodeV);
      drawn.cellsW += lossW;
      if (!this.drains) continue;
      charges[i] = (charges[i] ?? 0) - chargeRate(model, amps) * dt;
      this.cellsC[i] = packWarmed(model.pack, this.cellsC[i] ?? 25, lossW, dt);
    }
    if (this.drains) this.bus = this.read();
    return drawn;
  }
}

/** The packs of a machine at the charge a ride begins with: each at its own, at most at that of the first. */
export function powerSource(machine: Machine, charge: number, draining: Draining): PowerSource {
  const aboard = aboardAt(machine, charge);
  const models = aboard.map(({ pack }) => packModel(pack));
  const each = aboard.map(
    ({ charge: own, bmsA }, i) => new OnePack(models[i] ?? packModel(machine.pack), own, bmsA, draining),
  );
  const [first] = each;
  if (first !== undefined && each.length === 1) return first;
  if (machine.join === 'combiner') return new Combined(aboard, models, machine.diodeV, draining);
  const whole = models.reduce((sum, m) => sum + m.capacityAs, 0);
  return new Switched(
    each,
    models.map((model) => model.capacityAs / whole),
  );
}
