import type { PlugSex, PlugShape, Port, PortDocument } from '@apple-cart/core';
import type { WiringData } from './use-wiring.ts';

export const SEX_NAMES: Readonly<Record<PlugSex, string>> = {
  pins: 'pins',
  sockets: 'sockets',
  bare: 'bare ends',
  unknown: 'not looked at',
};

export const SHAPE_NAMES: Readonly<Record<PlugShape, string>> = {
  row: 'side by side',
  'two-rows': 'in two rows',
  ring: 'in a ring',
  unknown: 'not looked at',
};

export const nameOf = (data: WiringData, id: string): string =>
  data.wiring.components.find((c) => c.id === id)?.name ?? id;

/** Says something of one half of the plug pair in hand; what nobody has said of it stays unsaid. */
export function usePort(
  data: WiringData,
): (port: Port, next: Partial<PortDocument>, label: string, key?: string) => void {
  return (port, next, label, key) => {
    data.change((now) => ({ ports: { ...now.ports, [port.key]: { ...port.said, ...next } } }), label, key);
  };
}
