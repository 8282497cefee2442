import { conductorOhm } from './conductors.ts';
import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';

/** Protection, strips, fuse and plugs between cells and leads, mohm. From memory. */
export const REST_OF_PATH_MOHM = 14;
/** A lead at work, C. Common practice. */
const LEAD_AT_WORK_C = 40;

/** Out and back of the power lead, ohm; undefined until length and conductor are known. */
export function powerLeadOhm(
  build: BuildDocument,
  { cabling }: Pick<KnownBuild, 'cabling'>,
): number | undefined {
  const { leadMm, leadMm2 } = cabling;
  if (leadMm.source === 'unknown' || leadMm2.source === 'unknown') return undefined;
  return conductorOhm(build.cabling.conductor, (2 * leadMm.value) / 1000, leadMm2.value, LEAD_AT_WORK_C);
}
