import { packWarmed, peukertFactor, supplyAt, wholeCapacityAh, type Pack } from '../machine/battery.ts';

/** A pack on its way down: its charge, the temperature of its cells, which warm by what they lose, and the time. */
export class Descent {
  private readonly pack: Pack;
  private readonly capacityAs: number;
  charge: number;
  cellC: number;
  seconds = 0;

  constructor(pack: Pack, charge: number, cellC: number = pack.temperatureC) {
    this.pack = pack;
    this.capacityAs = wholeCapacityAh(pack) * 3600;
    this.charge = charge;
    this.cellC = cellC;
  }

  /** Seconds that the whole charge would last at a current, A; Peukert's law included. */
  secondsPerCharge(amps: number): number {
    return this.capacityAs / (amps * peukertFactor(this.pack, amps));
  }

  /** Cell temperature against charge from here down to `low` at about a current: even in between, right at its end. */
  course(low: number, amps: number): (charge: number) => number {
    const { charge: high, cellC, pack } = this;
    if (high <= low) return () => cellC;
    const ohm = supplyAt(pack, (high + low) / 2, cellC).ohm - pack.wiringOhm;
    const end = packWarmed(pack, cellC, amps * amps * ohm, (high - low) * this.secondsPerCharge(amps));
    const slope = (end - cellC) / (high - low);
    return (charge) => cellC + slope * (high - charge);
  }

  goTo(charge: number, cellC: number, seconds: number): void {
    this.charge = charge;
    this.cellC = cellC;
    this.seconds += seconds;
  }
}
