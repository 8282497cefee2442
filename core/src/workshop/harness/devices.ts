import { numberedId, packsFeed } from '../../document/current-cables.ts';
import type { BuildDocument } from '../../document/document.ts';
import { stampedNumber } from '../../quantity/stamped.ts';
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
  `${source === 'unknown' ? '?' : stampedNumber(value)} ${unit}`;

/** What opens the n-th lead by hand or by itself, or says that nobody knows. */
function guardOf({ cabling }: BuildDocument, { cabling: { fuseA } }: KnownBuild, nth = 1): Device {
  switch (cabling.protection) {
    case 'fuse':
      return { id: 'fuse', tag: `F${String(nth)} ${printed(fuseA, 'A')}`, across: undefined };
    case 'breaker':
      return { id: 'breaker', tag: `Q${String(nth)} ${printed(fuseA, 'A')}`, across: undefined };
    case 'none':
      return { id: 'none', tag: 'no fuse', across: undefined };
    case 'unknown':
      return { id: 'not-said', tag: `F${String(nth)} ?`, across: undefined };
  }
}

/** What guards the battery leads, with the pack by its index that each sits at; undefined is one for all. */
export function guardsOf(
  build: BuildDocument,
  known: KnownBuild,
): readonly { readonly device: Device; readonly pack: number | undefined }[] {
  return packsFeed(build) === 'combiner' && build.joining.branchFuses === 'yes'
    ? build.packs.map((_, pack) => ({ device: guardOf(build, known, pack + 1), pack }))
    : [{ device: guardOf(build, known), pack: undefined }];
}

/** A resistor lies across what opens by hand, never across a fuse. */
function withResistor(
  build: BuildDocument,
  known: KnownBuild,
  devices: readonly Device[],
): readonly Device[] {
  if (build.cabling.inrush !== 'resistor') return devices;
  const opener = leadOpens(build);
  const across = `R1 ${printed(known.cabling.preChargeOhm, 'ohm')}`;
  // Where nothing opens here, a plug half of its own touches first.
  return devices.some(({ id }) => id === opener)
    ? devices.map((device) => (device.id === opener ? { ...device, across } : device))
    : [{ id: 'contact', tag: 'X1', across }, ...devices];
}

/**
 * The devices in a cable, by its key, from the pack on: in the lead that all of the current goes through, but for fuses or
 * breakers at each of several packs.
 */
export function devicesIn(build: BuildDocument, known: KnownBuild): (key: string) => readonly Device[] {
  const { cabling } = build;
  const guards = guardsOf(build, known);
  const hand: readonly Device[] = cabling.passes.includes('pull-plug')
    ? [{ id: 'switch', tag: `S1 ${printed(known.cabling.pullPlugA, 'A')}`, across: undefined }]
    : [];
  const forAll = guards.flatMap(({ pack, device }) => (pack === undefined ? [device] : []));
  const common = withResistor(build, known, [...hand, ...forAll]);
  const branches = new Map<string, readonly Device[]>(
    guards.flatMap(({ pack, device }) =>
      pack === undefined ? [] : [[`${numberedId('pack', pack)}-combiner`, [device]] as const],
    ),
  );
  const lead = packsFeed(build) === 'combiner' ? 'combiner-controller' : 'pack-controller';
  return (key) => (key === lead ? common : (branches.get(key) ?? []));
}

/** A cable's devices in words. */
export const devicesText = (devices: readonly Device[]): string =>
  devices.map(({ tag, across }) => (across === undefined ? tag : `${tag}, ${across} across it`)).join(', ');
