import type { BuildDocument } from '../document/document.ts';
import { letsIn, type Usual } from '../law/usual.ts';
import { buyPart } from '../parts/apply-part.ts';
import type { PartOf } from '../parts/part.ts';

/** Where a motor can pull. */
export const LAYOUTS = ['front', 'rear', 'middle', 'external'] as const;
export type LayoutName = (typeof LAYOUTS)[number];

type Motor = PartOf<'motor'>;

/** What a motor of unknown rating is compared at, W. */
const USUAL_W = 500;

export function layoutOf({ drive: { kind, wheel } }: BuildDocument): LayoutName {
  if (kind === 'mid-drive') return 'middle';
  return kind === 'external' ? 'external' : wheel;
}

/** Front hubs are made for 100 mm, rear ones for 130 mm and more. Common practice. */
const FRONT_MOST_MM = 115;
/** A small front wheel takes no rear motor: over-locknut widths tell which a hub is for. */
export function suits(motor: Motor, layout: LayoutName): boolean {
  if (layout === 'middle') return motor.kind === 'mid-drive';
  if (layout === 'external') return motor.kind === 'external';
  if (motor.kind !== 'geared-hub' && motor.kind !== 'direct-drive-hub') return false;
  const wide = motor.overLocknutMm !== null && motor.overLocknutMm > FRONT_MOST_MM;
  return layout === 'front' ? !wide : wide;
}

/** Run at more than this times its label's volts, or less, a motor is another one. Common practice, no source. */
const [LEAST_VOLTS, MOST_VOLTS] = [0.9, 1.4];

interface Wanted {
  readonly layout: LayoutName;
  /** What is usual where it is ridden: like is compared with like, by what is let in there. */
  readonly usual: Usual | undefined;
  /** Volts that it is to run at; undefined where any will do. */
  readonly volts?: number;
}

/**
 * The shelf's motor for a layout: among those that the place lets in the nearest in rated power to the build's own, or to
 * the most that is let in; where none is let in, the smallest. A mid-drive has to fit the shell where that is known.
 */
export function motorFor(build: BuildDocument, motors: readonly Motor[], wanted: Wanted): Motor | undefined {
  const { layout, usual, volts } = wanted;
  const rated = build.drive.ratedPowerW.source === 'unknown' ? undefined : build.drive.ratedPowerW.value;
  const shell = build.donor.shellWidthMm;
  const fits = (m: Motor): boolean =>
    shell.source === 'unknown' || m.shellMaxMm === null || shell.value <= m.shellMaxMm + 0.5;
  const runs = (m: Motor): boolean =>
    volts === undefined ||
    m.labelV === null ||
    (volts / m.labelV >= LEAST_VOLTS && volts / m.labelV <= MOST_VOLTS);
  const list = motors.filter((m) => suits(m, layout) && runs(m));
  const fitting = list.filter(fits);
  const all = fitting.length > 0 ? fitting : list;
  const allowed = all.filter((m) => usual === undefined || letsIn(usual, m.ratedPowerW));
  const aim = allowed.length > 0 ? (rated ?? usual?.ratedW ?? USUAL_W) : 0;
  const off = (m: Motor): number => Math.abs(Math.log(m.ratedPowerW / Math.max(1, aim)));
  return [...(allowed.length > 0 ? allowed : all)].sort((a, b) => off(a) - off(b))[0];
}

/** A build with a motor where a layout has it. */
export function withMotor(build: BuildDocument, layout: LayoutName, motor: Motor): BuildDocument {
  const with_ = buyPart(build, motor);
  return { ...with_, drive: { ...with_.drive, wheel: layout === 'front' ? 'front' : 'rear' } };
}
