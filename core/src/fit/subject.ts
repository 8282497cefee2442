import { isHubMotor } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { boxesOf, frameOf, massPoints, type PlacedBox } from '../document/frame-of.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import type { Frame } from '../frame/frame.ts';
import type { MassPoint } from '../frame/mass.ts';
import type { Machine } from '../machine/machine.ts';

/** How fast the machine might be by what nobody has read. */
export interface Faster {
  /** Unknown values that bear on its speed, the most telling first. */
  readonly unknown: readonly Known[];
  /** Top speed on the level with all of them at the fast end of what is plausible, m/s. */
  readonly topMs: number;
}

/** What the checks look at. */
export interface Subject {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly frame: Frame;
  readonly boxes: readonly PlacedBox[];
  readonly masses: readonly MassPoint[];
  /** Top speed on the level with a full pack, m/s. */
  readonly topMs: number;
  readonly faster: Faster;
  /** A motor whose axle stands in the dropouts, and which. */
  readonly hub: 'front' | 'rear' | undefined;
}

/** Puts together what the checks look at. `topMs` is the top speed on the level with a full pack, m/s. */
export function subject(
  build: BuildDocument,
  known: KnownBuild,
  machine: Machine,
  topMs: number,
  faster: Faster = { unknown: [], topMs },
): Subject {
  const frame = frameOf(build, known);
  const boxes = boxesOf(build, known, frame);
  const { machine: parts, people } = massPoints(build, known, frame, boxes);
  return {
    build,
    known,
    machine,
    frame,
    boxes,
    masses: [...parts, ...people],
    topMs,
    faster,
    hub: isHubMotor(build) ? build.drive.wheel : undefined,
  };
}

/** A trailer and its load, where one is towed: both brake and climb with the machine. */
export const towed = ({ build, known: { brief } }: Subject): readonly Known[] =>
  build.brief.trailer === 'none' ? [] : [brief.trailerKg, brief.trailerLoadKg];
