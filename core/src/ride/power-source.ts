import type { Supply } from '../machine/battery.ts';
import type { Machine } from '../machine/machine.ts';
import { chargeRate, packModel, readSupply, type PackModel } from '../machine/pack-model.ts';
import { batteryAmps } from './operating-point.ts';
import { busPoint } from './two-packs.ts';

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

class OnePack implements PowerSource {
  private readonly model: PackModel;
  private readonly own = { openVolts: 0, ohm: 0 };
  private readonly drawn: Drawn = { amps: 0, openW: 0, cellsW: 0, leadsW: 0 };
  private readonly drains: boolean;
  charge: number;
  readonly bmsA: number;

  constructor(model: PackModel, charge: number, bmsA: number, draining: Draining) {
    this.model = model;
    this.charge = charge;
    this.bmsA = bmsA;
    this.drains = draining === 'drains';
    readSupply(model, charge, this.own);
  }
  get supply(): Supply {
    return this.own;
  }
  get fullVolts(): number {
    return this.model.fullVolts;
  }
  get empty(): boolean {
    return this.charge <= 0;
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
      readSupply(model, this.charge, own);
    }
    return drawn;
  }
}

/** One pack after the other, changed over by hand when the first has nothing more to give. */
class Switched implements PowerSource {
  private now: PowerSource;
  private readonly other: PowerSource;
  private readonly shareFirst: number;
  private changed = false;

  constructor(first: PowerSource, second: PowerSource, shareFirst: number) {
    this.now = first;
    this.other = second;
    this.shareFirst = shareFirst;
  }
  get supply(): Supply {
    return this.now.supply;
  }
  get fullVolts(): number {
    return this.now.fullVolts;
  }
  get bmsA(): number {
    return this.now.bmsA;
  }
  get charge(): number {
    const [mine, theirs] = [Math.max(0, this.now.charge), this.other.charge];
    return this.changed
      ? mine * (1 - this.shareFirst)
      : mine * this.shareFirst + theirs * (1 - this.shareFirst);
  }
  get empty(): boolean {
    return this.now.empty;
  }
  next(): boolean {
    if (this.changed) return false;
    this.changed = true;
    this.now = this.other;
    return true;
  }
  draw(watts: number, dt: number): Drawn {
    return this.now.draw(watts, dt);
  }
}

/** Two packs behind ideal diodes: what feeds is decided by their volts, and nothing flows back in. */
class Combined implements PowerSource {
  private readonly models: readonly [PackModel, PackModel];
  private readonly charges: [number, number];
  private readonly own: readonly [Readable, Readable] = [
    { openVolts: 0, ohm: 0 },
    { openVolts: 0, ohm: 0 },
  ];
  private readonly bus = { openVolts: 0, ohm: 0 };
  private readonly drawn: Drawn = { amps: 0, openW: 0, cellsW: 0, leadsW: 0 };
  readonly bmsA: number;
  readonly fullVolts = 0;

  constructor(models: readonly [PackModel, PackModel], charges: readonly [number, number], bmsA: number) {
    this.models = models;
    this.charges = [...charges];
    this.bmsA = bmsA;
    this.read();
  }
  get supply(): Supply {
    return this.bus;
  }
  get charge(): number {
    const [a, b] = this.models;
    const [qa, qb] = this.charges;
    return (Math.max(0, qa) * a.capacityAs + Math.max(0, qb) * b.capacityAs) / (a.capacityAs + b.capacityAs);
  }
  get empty(): boolean {
    return this.charges[0] <= 0 && this.charges[1] <= 0;
  }
  next(): boolean {
    return false;
  }
  private read(): void {
    const [a, b] = this.own;
    readSupply(this.models[0], this.charges[0], a);
    readSupply(this.models[1], this.charges[1], b);
    // An empty pack is cut off by its protection.
    if (this.charges[0] <= 0) a.openVolts = 0;
    if (this.charges[1] <= 0) b.openVolts = 0;
    const [high, low] = a.openVolts >= b.openVolts ? [a, b] : [b, a];
    // The lower one joins in when the bus sags to it; seen from the higher one's side both are one source then.
    const conductance = 1 / a.ohm + 1 / b.ohm;
    const joint = (a.openVolts / a.ohm + b.openVolts / b.ohm) / conductance;
    const near = low.openVolts > 0 && high.openVolts - low.openVolts < this.bmsA * high.ohm;
    this.bus.openVolts = near ? joint : high.openVolts;
    this.bus.ohm = near ? 1 / conductance : high.ohm;
  }
  draw(watts: number, dt: number): Drawn {
    const { drawn, own, models, charges } = this;
    const usable = (i: 0 | 1): Supply => (charges[i] > 0 ? own[i] : { openVolts: 0, ohm: 1e9 });
    const most = Math.min(watts, (0.999 * this.bus.openVolts ** 2) / (4 * this.bus.ohm));
    const point = busPoint(usable(0), usable(1), most, 'combiner');
    const amps = [point?.firstA ?? 0, point?.secondA ?? 0] as const;
    drawn.amps = amps[0] + amps[1];
    drawn.openW = amps[0] * own[0].openVolts + amps[1] * own[1].openVolts;
    drawn.leadsW = amps[0] ** 2 * models[0].wiringOhm + amps[1] ** 2 * models[1].wiringOhm;
    drawn.cellsW = amps[0] ** 2 * own[0].ohm + amps[1] ** 2 * own[1].ohm - drawn.leadsW;
    charges[0] -= chargeRate(models[0], amps[0]) * dt;
    charges[1] -= chargeRate(models[1], amps[1]) * dt;
    this.read();
    return drawn;
  }
}

/** The packs of a machine at the charge a ride begins with. */
export function powerSource(machine: Machine, charge: number, draining: Draining): PowerSource {
  const first = packModel(machine.pack);
  const { second } = machine;
  if (second === undefined) return new OnePack(first, charge, machine.limits.bmsA, draining);
  const other = packModel(second.pack);
  const otherCharge = Math.min(charge, second.charge);
  if (second.join === 'combiner')
    return new Combined([first, other], [charge, otherCharge], machine.limits.bmsA + second.bmsA);
  const whole = first.capacityAs + other.capacityAs;
  return new Switched(
    new OnePack(first, charge, machine.limits.bmsA, draining),
    new OnePack(other, otherCharge, second.bmsA, draining),
    first.capacityAs / whole,
  );
}
