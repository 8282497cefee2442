import { batteryAmps, coldFactor, leastCharge, packWarmed, type Supply } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { chargeRate, packModel, readSupply, type PackModel } from '../machine/pack-model.ts';
import { busPoint, sideBySide } from './packs-together.ts';

/** What a step took out of the packs: of the cells' own volts, and lost on the way to the terminals, W. */
interface Drawn {
  amps: number;
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
  readonly bmsA: number;
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
  private readonly drawn: Drawn = { amps: 0, openW: 0, cellsW: 0, leadsW: 0 };
  private readonly drains: boolean;
  private cellC: number;
  private cold: number;
  private least: number;
  charge: number;
  readonly bmsA: number;

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
  get bmsA(): number {
    return this.now.bmsA;
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
  private readonly models: readonly PackModel[];
  private readonly charges: number[];
  private readonly own: readonly Readable[];
  private readonly cellsC: number[];
  private readonly diodeV: number;
  private readonly bus = { openVolts: 0, ohm: 0 };
  private readonly drawn: Drawn = { amps: 0, openW: 0, cellsW: 0, leadsW: 0 };
  private readonly capacityAs: number;
  readonly bmsA: number;
  readonly fullVolts = 0;
  readonly takes = false;

  constructor(models: readonly PackModel[], charges: readonly number[], bmsA: number, diodeV: number) {
    this.models = models;
    this.charges = [...charges];
    this.own = models.map(() => ({ openVolts: 0, ohm: 0 }));
    this.cellsC = models.map((model) => model.pack.temperatureC);
    this.bmsA = bmsA;
    this.diodeV = diodeV;
    this.capacityAs = models.reduce((sum, m) => sum + m.capacityAs, 0);
    this.read();
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
  private read(): void {
    for (const [i, model] of this.models.entries()) {
      const own = this.own[i];
      const cold = coldFactor(model.pack.chemistry, this.cellsC[i] ?? 25);
      if (own !== undefined) readSupply(model, this.charges[i] ?? 0, cold, own);
    }
    const usable = this.usable();
    const high = usable.reduce((a, b) => (b.openVolts > a.openVolts ? b : a));
    // Lower ones join in when the bus sags to them; seen from the highest one's side they are one source then.
    const near = usable.filter(
      (one) => one === high || high.openVolts - one.openVolts < this.bmsA * high.ohm,
    );
    const joint = sideBySide(near);
    this.bus.openVolts = Math.max(0, joint.openVolts - this.diodeV);
    this.bus.ohm = joint.ohm;
  }
  draw(watts: number, dt: number): Drawn {
    const { drawn, own, models, charges } = this;
    const most = Math.min(watts, (0.999 * this.bus.openVolts ** 2) / (4 * this.bus.ohm));
    const point = busPoint(this.usable(), most, 'combiner', this.diodeV);
    drawn.amps = drawn.openW = drawn.leadsW = drawn.cellsW = 0;
    for (const [i, model] of models.entries()) {
      const amps = point?.amps[i] ?? 0;
      const { openVolts = 0, ohm = 0 } = own[i] ?? {};
      drawn.amps += amps;
      drawn.openW += amps * openVolts;
      drawn.leadsW += amps * (amps * model.wiringOhm + this.diodeV);
      drawn.cellsW += amps * amps * (ohm - model.wiringOhm);
      charges[i] = (charges[i] ?? 0) - chargeRate(model, amps) * dt;
      const lossW = amps * amps * (ohm - model.wiringOhm);
      this.cellsC[i] = packWarmed(model.pack, this.cellsC[i] ?? 25, lossW, dt);
    }
    this.read();
    return drawn;
  }
}

/** The packs of a machine at the charge a ride begins with: each at its own, at most at that of the first. */
export function powerSource(machine: Machine, charge: number, draining: Draining): PowerSource {
  const first = packModel(machine.pack);
  const { others, join, diodeV } = machine;
  if (others.length === 0) return new OnePack(first, charge, machine.limits.bmsA, draining);
  const models = [first, ...others.map((other) => packModel(other.pack))];
  const charges = [charge, ...others.map((other) => Math.min(charge, other.charge))];
  const carries = [machine.limits.bmsA, ...others.map((other) => other.bmsA)];
  if (join === 'combiner')
    return new Combined(
      models,
      charges,
      carries.reduce((sum, amps) => sum + amps, 0),
      diodeV,
    );
  const whole = models.reduce((sum, m) => sum + m.capacityAs, 0);
  return new Switched(
    models.map((model, i) => new OnePack(model, charges[i] ?? 0, carries[i] ?? 0, draining)),
    models.map((model) => model.capacityAs / whole),
  );
}
