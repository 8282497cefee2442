import { qty } from '../quantity/phrase.ts';
import { lengthInPitches, teethInMesh } from './chain.ts';
import { measured, told, type Check } from '../check/check.ts';
import type { Subject } from './subject.ts';

const steps = (from: number, to: number, by: number): readonly number[] =>
  Array.from({ length: Math.floor((to - from) / by) + 1 }, (_, i) => from + by * i);

/** Lengths of toothed belt that are sold, in teeth, by pitch in mm. From memory, after ISO 13050 lengths. */
const STOCK_TEETH: Readonly<Record<number, readonly number[]>> = {
  5: [...steps(40, 200, 1), ...steps(205, 400, 5)],
  8: [48, 60, 70, 75, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 220, 225, 250, 300, 350],
};

/** Even links for a chain, the next length sold for a belt, else the next whole tooth. */
export function nextStock(pitches: number, medium: 'chain' | 'belt', pitchMm: number): number {
  if (medium === 'chain') return 2 * Math.ceil((pitches - 0.01) / 2);
  return STOCK_TEETH[pitchMm]?.find((teeth) => teeth >= pitches - 0.01) ?? Math.ceil(pitches - 0.01);
}

/** Centre distance at which a length of so many pitches runs without slack, mm. Solved by Newton's steps. */
export function centreFor(pitches: number, n1: number, n2: number, pitchMm: number): number {
  const b = ((n2 - n1) / (2 * Math.PI)) ** 2;
  const a = pitches - (n1 + n2) / 2;
  // 2 c + b / c = a: the larger root of 2 c^2 - a c + b = 0.
  const square = a * a - 8 * b;
  return square <= 0 ? 0 : ((a + Math.sqrt(square)) / 4) * pitchMm;
}

export interface ExternalDrive {
  readonly ratio: number;
  readonly pitches: number;
  readonly stock: number;
  /** Centre distance for the stock length, mm, and how far the motor moves for it. */
  readonly stockCentreMm: number;
  readonly moveMm: number;
  readonly mesh: number;
  /** Pull in the tight side at full phase current, N. */
  readonly pullN: number;
}

/** The external drive worked out: ratio, length, next stock length, wrap, pull. */
export function externalDrive({ known, build, machine }: Subject): ExternalDrive {
  const { drive } = known;
  const [n1, n2] = [Math.round(drive.motorSprocketTeeth.value), Math.round(drive.wheelSprocketTeeth.value)];
  const [centre, pitch] = [drive.centreMm.value, drive.pitchMm.value];
  const pitches = lengthInPitches(n1, n2, centre, pitch);
  const { lengthPitches } = drive;
  const stock =
    lengthPitches.source === 'unknown'
      ? nextStock(pitches, build.drive.medium, pitch)
      : Math.round(lengthPitches.value);
  const stockCentreMm = centreFor(stock, n1, n2, pitch);
  const { motor, limits } = machine;
  const shaftNm =
    (Math.max(0, motor.kt * limits.phaseA - motor.hysteresisNm) / machine.motors) *
    drive.reduction.value *
    drive.efficiency.value;
  return {
    ratio: n2 / n1,
    pitches,
    stock,
    stockCentreMm,
    moveMm: stockCentreMm - centre,
    mesh: teethInMesh(n1, n2, centre, pitch),
    pullN: shaftNm / ((n1 * pitch) / (2 * Math.PI) / 1000),
  };
}

/** Usual slots of a motor plate, and what an idler takes up beside them, mm of centre distance. Common practice, no source. */
const SLOTS_MM = 15;
const IDLER_MM = 20;

/** Teeth of the small sprocket that must be in mesh. Common practice, no source. */
const MESH = 6;

/** External chain or belt drive. */
export function externalChecks(s: Subject): readonly Check[] {
  if (s.build.drive.kind !== 'external') return [];
  const { drive } = s.known;
  const out = externalDrive(s);
  const { medium, idler } = s.build.drive;
  const idled = idler === 'yes';
  const counted = idled && drive.meshTeeth.source !== 'unknown';
  const inHand = drive.lengthPitches.source !== 'unknown';
  // An idler takes up slack on its own, beside what the motor's plate can move.
  const slots = idled ? SLOTS_MM + IDLER_MM : SLOTS_MM;
  const unitName = medium === 'chain' ? 'links' : 'teeth';
  return [
    measured({
      id: 'wrap',
      group: 'external',
      title: 'Teeth in mesh on the small sprocket',
      value: counted ? drive.meshTeeth.value : out.mesh,
      unit: 'T',
      sense: 'least',
      fine: MESH,
      look: MESH - 1,
      limit: [`at least ${String(MESH)}`],
      why: [
        'Too few teeth share the pull: belts jump and chains ride up.',
        ...(idled
          ? [
              counted ? ' Counted with the idler; without it ' : ' The idler wraps more of it than the ',
              qty(out.mesh, 'T', 1),
              counted ? ' would mesh.' : ' of the bare run: count them.',
            ]
          : []),
      ],
      remedy: ['Add an idler that wraps the small sprocket, or take a larger one.'],
      origin: 'common practice',
      inputs: [
        drive.motorSprocketTeeth,
        drive.wheelSprocketTeeth,
        drive.centreMm,
        drive.pitchMm,
        // Enough without the idler is enough with it.
        ...(idled && out.mesh < MESH ? [drive.meshTeeth] : []),
      ],
    }),
    measured({
      id: 'stock-length',
      group: 'external',
      title: `Motor to move for ${String(out.stock)} ${unitName}`,
      value: Math.abs(out.moveMm),
      unit: 'mm',
      sense: 'most',
      fine: slots,
      look: slots + 25,
      limit: [
        'at most ',
        qty(slots, 'mm', 0),
        idled
          ? ', usual slots of a motor plate and what an idler takes up'
          : ', usual slots of a motor plate',
      ],
      why: [
        `${out.pitches.toFixed(1)} ${unitName} go round at `,
        qty(drive.centreMm.value, 'mm', 0),
        inHand
          ? `; the ${medium} in hand has ${String(out.stock)}, right at `
          : `; the next length sold is ${String(out.stock)}, at `,
        qty(out.stockCentreMm, 'mm', 1),
        '.',
      ],
      remedy: ['Move the motor, or take up the slack with an idler on the slack side.'],
      origin: 'derived',
      source:
        medium === 'chain' ? 'even links, pitch by ISO 606' : 'belt lengths after ISO 13050, from memory',
      inputs: [drive.motorSprocketTeeth, drive.wheelSprocketTeeth, drive.centreMm, drive.pitchMm],
    }),
    told({
      id: 'idler',
      group: 'external',
      title: 'Tension of chain or belt',
      state: idler === 'yes' ? 'fine' : 'look',
      words: idler === 'yes' ? 'idler fitted' : 'motor plate only',
      limit: ['idler or slotted plate'],
      why: [
        'The tight side pulls ',
        qty(out.pullN, 'N', 0),
        ' at full phase current, and the bearings carry it.',
      ],
      remedy:
        idler === 'yes'
          ? ['Put it on the slack side.']
          : ['Make the slots long enough for wear, or fit an idler.'],
      origin: 'common practice',
      inputs: [],
      asked: [{ label: 'idler', known: idler !== 'unknown' }],
    }),
  ];
}
