import type { PinRole } from './spans.ts';

/** A kind of plug whose pins nobody has written down. Like roles are not told apart by a meter. */
export interface PlugType {
  readonly id: string;
  readonly name: string;
  /** What is worked while the meter is on it. */
  readonly action: string;
  /** What that moves; everything else stands as at rest. */
  readonly works: readonly PinRole[];
  /** Several are worked one after the other, so that their ends do not meet. */
  readonly inTurn?: boolean;
  /** The roles on its pins: a pulse line stands low or high, so that a plug with pulses has several ways to stand. */
  readonly variants: readonly (readonly PinRole[])[];
}

const pulses = (others: readonly PinRole[], count: number): readonly (readonly PinRole[])[] =>
  Array.from({ length: count + 1 }, (_, high) => [
    ...others,
    ...Array.from({ length: count }, (__, i): PinRole => (i < high ? 'p1' : 'p0')),
  ]);

/** Three sensors 120 electrical degrees apart are never all alike. */
const halls = (others: readonly PinRole[]): readonly (readonly PinRole[])[] => pulses(others, 3).slice(1, 3);

/** Plugs of the trade, by how many pins and for what. Common practice, no source. */
export const PLUG_TYPES: readonly PlugType[] = [
  {
    id: 'throttle3',
    name: 'Throttle, three wires',
    action: 'open the throttle slowly and fully',
    works: ['throttle'],
    variants: [['supply5', 'ground', 'throttle']],
  },
  {
    id: 'throttle5',
    name: 'Throttle with button, five wires',
    action: 'open the throttle slowly and fully, close it, then press the button',
    works: ['throttle', 'cutoff'],
    inTurn: true,
    variants: [['supply5', 'ground', 'throttle', 'pack', 'cutoff']],
  },
  {
    id: 'throttle6',
    name: 'Throttle with key and button, six wires',
    action: 'open the throttle slowly and fully, close it, then press the button',
    works: ['throttle', 'cutoff'],
    inTurn: true,
    variants: [['supply5', 'ground', 'throttle', 'pack', 'lock', 'cutoff']],
  },
  {
    id: 'brake2',
    name: 'Brake lever, two wires',
    action: 'pull the lever',
    works: ['cutoff'],
    variants: [['ground', 'cutoff']],
  },
  {
    id: 'brake3',
    name: 'Brake sensor, three wires',
    action: 'pull the lever',
    works: ['cutoff'],
    variants: [['supply5', 'ground', 'cutoff']],
  },
  {
    id: 'assist3',
    name: 'Assist sensor, three wires',
    action: 'turn the cranks slowly',
    works: ['p0', 'p1'],
    variants: pulses(['supply5', 'ground'], 1),
  },
  {
    id: 'torque4',
    name: 'Torque sensor, four wires',
    action: 'press on the pedal and turn it slowly',
    works: ['torque', 'p0', 'p1'],
    variants: pulses(['supply5', 'ground', 'torque'], 1),
  },
  {
    id: 'hall5',
    name: 'Motor sensors, five wires',
    action: 'turn the wheel slowly by hand',
    works: ['p0', 'p1'],
    variants: halls(['supply5', 'ground']),
  },
  {
    id: 'hall6',
    name: 'Motor sensors and heat, six wires',
    action: 'turn the wheel slowly by hand',
    works: ['p0', 'p1'],
    variants: halls(['supply5', 'ground', 'heat']),
  },
  {
    id: 'display5',
    name: 'Display, five wires',
    action: 'switch it on and press its keys',
    works: ['sends', 'hears'],
    variants: [['pack', 'lock', 'ground', 'sends', 'hears']],
  },
  {
    id: 'lamp2',
    name: 'Lamp, two wires',
    action: 'switch the lamp on',
    works: ['lamp12'],
    variants: [['ground', 'lamp12']],
  },
  {
    id: 'nine',
    name: 'Bar harness, nine wires',
    action: 'work everything on the bar, one after the other',
    works: ['throttle', 'cutoff', 'lamp12', 'p0', 'p1', 'sends'],
    inTurn: true,
    variants: pulses(['supply5', 'ground', 'throttle', 'cutoff', 'pack', 'lock', 'sends', 'lamp12'], 1),
  },
];

export const plugTypeOf = (id: string): PlugType | undefined => PLUG_TYPES.find((t) => t.id === id);
