import type { KnownBuild } from '../document/known-build.ts';

/** Least room between gearbox and chainstay once tightened, mm. Common practice, no source. */
export const STAY_GAP_MM = 2;
/** Chainline error that is fine, and the one beyond which it stops, mm. Common practice, no source. */
export const CHAINLINE_FINE_MM = 5;

/** Room between gearbox and chainstay, mm: the gearbox's inner face less the stay's reach, both from the shell's face. */
export const stayGapMm = (gearboxMm: number, spacerMm: number, stayReachMm: number): number =>
  gearboxMm + spacerMm - stayReachMm;

/** The ring's plane from the middle of the bicycle, mm. */
export const ringLineMm = (shellMm: number, ringOutsideMm: number, spacerMm: number): number =>
  shellMm / 2 + ringOutsideMm + spacerMm;

/** One thickness of spacers: what it buys on one side and costs on the other. */
interface SpacerRow {
  readonly spacerMm: number;
  readonly gapMm: number;
  /** Ring outside the middle cog's line, mm; negative inside. */
  readonly chainlineMm: number;
}

export interface SpacerTrade {
  readonly rows: readonly SpacerRow[];
  /** Thinnest and thickest spacers that give room and keep the chainline fine; undefined when none does. */
  readonly from: number | undefined;
  readonly to: number | undefined;
}

const THICKEST_MM = 12;
const STEP_MM = 0.5;

/** Spacers traded against chainline, from none to 12 mm in steps of the thinnest ring sold, 0.5 mm. */
export function spacerTrade({ donor, drive }: KnownBuild): SpacerTrade {
  const rows = Array.from({ length: THICKEST_MM / STEP_MM + 1 }, (_, i): SpacerRow => {
    const spacerMm = i * STEP_MM;
    return {
      spacerMm,
      gapMm: stayGapMm(drive.gearboxMm.value, spacerMm, donor.stayReachMm.value),
      chainlineMm:
        ringLineMm(donor.shellWidthMm.value, drive.ringLineMm.value, spacerMm) - donor.chainlineMm.value,
    };
  });
  const good = rows.filter((r) => r.gapMm >= STAY_GAP_MM && Math.abs(r.chainlineMm) <= CHAINLINE_FINE_MM);
  return { rows, from: good[0]?.spacerMm, to: good.at(-1)?.spacerMm };
}
