import type { PlugSex, Port, PortDocument } from '@apple-cart/core';
import { storedPort, type WiringData } from './use-wiring.ts';

export const SEX_NAMES: Readonly<Record<PlugSex, string>> = {
  pins: 'pins',
  sockets: 'sockets',
  bare: 'bare ends',
  unknown: 'not looked at',
};

export const nameOf = (data: WiringData, id: string): string =>
  data.wiring.components.find((c) => c.id === id)?.name ?? id;

/** Changes one half of the plug pair in hand; the other is kept as it was seen, or as is usual. */
export function usePort(
  data: WiringData,
): (port: Port, next: Partial<PortDocument>, label: string, key?: string) => void {
  return (port, next, label, key) => {
    data.change(
      (now) => ({ ports: { ...now.ports, [port.key]: { ...storedPort(port), ...next } } }),
      label,
      key,
    );
  };
}
