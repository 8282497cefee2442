import { packsFeed } from '../../document/current-cables.ts';
import type { BuildDocument } from '../../document/document.ts';
import { leadOpens } from '../../document/lead-opens.ts';
import type { Known, KnownBuild } from '../../document/known-build.ts';

/** What sits in the plus lead between packs and controller, beside its plugs. */
export interface Device {
  readonly id: 'switch' | 'breaker' | 'contact' | 'fuse' | 'not-said' | 'none';
  /** Its letter and what is printed on it: "F1 30 A". Letters of kinds by IEC 81346-2, from memory. */
  readonly tag: string;
  /** The resistor across it, through which the controller's capacitors fill first; undefined without one. */
  readonly across: string | undefined;
}

const printed = ({ value, source }: Known, unit: string): string =>
  `${source === 'unknown' ? '?' : String(value)} ${unit}`;

/** What opens the lead by hand or by itself, or says that nobody knows. */
function guardOf({ cabling }: BuildDocument, { cabling: { fuseA } }: KnownBuild): Device {
  switch (cabling.protection) {
    case 'fuse':
      return { id: 'fuse', tag: `F1 ${printed(fuseA, 'A')}`, across: undefined };
    case 'breaker':
      return { id: 'breaker', tag: `Q1 ${printed(fuseA, 'A')}`, across: undefined };
    case 'none':
      return { id: 'none', tag: 'no fuse', across: undefined };
    case 'unknown':
      return { id: 'not-said', tag: 'F1 ?', across: undefined };
  }
}

/** The devices of the way to the controller, from the pack on. A resistor lies across what opens by hand, never across a fuse. */
function devicesOf(build: BuildDocument, known: KnownBuild): readonly Device[] {
  const { passes, inrush } = build.cabling;
  const { pullPlugA, preChargeOhm } = known.cabling;
  const hand: readonly Device[] = passes.includes('pull-plug')
    ? [{ id: 'switch', tag: `S1 ${printed(pullPlugA, 'A')}`, across: undefined }]
    : [];
  const devices = [...hand, guardOf(build, known)];
  if (inrush !== 'resistor') return devices;
  const opener = leadOpens(build);
  const across = `R1 ${printed(preChargeOhm, 'ohm')}`;
  // Where nothing opens, a plug half of its own touches first.
  return opener === 'plug'
    ? [{ id: 'contact', tag: 'X1', across }, ...devices]
    : devices.map((device) => (device.id === opener ? { ...device, across } : device));
}

/** The devices in a cable, by its key: all sit in the lead that the whole current goes through. */
export function devicesIn(build: BuildDocument, known: KnownBuild): (key: string) => readonly Device[] {
  const lead = packsFeed(build) === 'combiner' ? 'combiner-controller' : 'pack-controller';
  const devices = devicesOf(build, known);
  return (key) => (key === lead ? devices : []);
}

/** A cable's devices in words. */
export const devicesText = (devices: readonly Device[]): string =>
  devices.map(({ tag, across }) => (across === undefined ? tag : `${tag}, ${across} across it`)).join(', ');
