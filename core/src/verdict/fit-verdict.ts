import type { PlacedBox } from '../document/frame-of.ts';
import type { Frame } from '../frame/frame.ts';
import { centreOfMass, type MassPoint } from '../frame/mass.ts';
import { braking, type Braking } from '../fit/brake-checks.ts';
import { wantedLinks } from '../fit/bracket-checks.ts';
import type { Check } from '../check/check.ts';
import { externalDrive, type ExternalDrive } from '../fit/external-checks.ts';
import { gripGrades, type GripGrades } from '../fit/load-checks.ts';
import { bossPoints, nearestRooms, type Boss, type Room } from '../fit/pack-room.ts';
import { spacerTrade, type SpacerTrade } from '../fit/spacers.ts';
import type { Study } from './study.ts';

/** How motor and pack go on the bicycle, and what the side view is drawn from; mm and kg. */
export interface FitVerdict {
  readonly checks: readonly Check[];
  readonly frame: Frame;
  readonly boxes: readonly PlacedBox[];
  readonly bosses: readonly Boss[];
  /** What stands nearest to each box, tubes and wheels. */
  readonly nearest: readonly (Room | undefined)[];
  readonly masses: readonly MassPoint[];
  /** Laden centre of mass as worked out, and that of the machine alone. */
  readonly centre: { readonly x: number; readonly y: number };
  readonly emptyAxlesKg: { readonly rear: number; readonly front: number };
  readonly grades: GripGrades;
  readonly braking: Braking;
  /** Links of chain that ring and largest cog want. */
  readonly links: number;
  /** Spacers against chainline; undefined without a mid-drive. */
  readonly spacers: SpacerTrade | undefined;
  readonly external: ExternalDrive | undefined;
}

/** Everything that the fit stage shows. */
export function fitVerdict({ subject, checks, build, known }: Study): FitVerdict {
  const { frame, boxes, masses } = subject;
  const laden = centreOfMass(masses);
  const empty = centreOfMass(masses.filter((m) => m.name !== 'rider' && m.name !== 'load'));
  const emptyKg = empty?.kg ?? 0;
  const front = (emptyKg * (empty?.x ?? 0)) / known.donor.wheelbaseMm.value;
  return {
    checks,
    frame,
    boxes,
    bosses: bossPoints(subject),
    nearest: nearestRooms(subject),
    masses,
    centre: { x: laden?.x ?? 0, y: laden?.y ?? 0 },
    emptyAxlesKg: { rear: emptyKg - front, front },
    grades: gripGrades(subject),
    braking: braking(subject, subject.topMs),
    links: wantedLinks(subject),
    spacers: build.drive.kind === 'mid-drive' ? spacerTrade(known) : undefined,
    external: build.drive.kind === 'external' ? externalDrive(subject) : undefined,
  };
}
