import type { BuildDocument } from '../document/document.ts';
import { usualPlace } from '../document/migrate.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import type { Part, PartOf } from './part.ts';

const label = (value: number): Sourced => ({ source: 'label', value });
const unknown: Sourced = { source: 'unknown' };

/** Values of a part that are also keys of a section, marked as from the label; null is unknown. */
function labelled<K extends string>(
  part: Readonly<Record<K, number | null>>,
  keys: readonly K[],
): Record<K, Sourced> {
  const entries = keys.map((key): [K, Sourced] => [key, part[key] === null ? unknown : label(part[key])]);
  return Object.fromEntries(entries) as Record<K, Sourced>;
}

const MOTOR_KEYS = [
  'ratedPowerW',
  'kvRpmPerV',
  'resistanceOhm',
  'hysteresisNm',
  'eddyNms',
  'reduction',
  'efficiency',
  'massKg',
  'polePairs',
  'overLocknutMm',
  'axleMm',
  'flatsMm',
  'shellMinMm',
  'shellMaxMm',
  'tubeMm',
  'gearboxMm',
  'ringLineMm',
  'bodyDropMm',
  'windingHeatJK',
  'shellHeatJK',
  'coupleWK',
  'coolStillWK',
  'coolMovingWK',
  'damageC',
] as const;

const PACK_KEYS = [
  'cellsContinuousA',
  'cellsPeakA',
  'maxChargeA',
  'nominalV',
  'cellsInSeries',
  'capacityAh',
  'bmsCurrentA',
  'massKg',
  'boxLengthMm',
  'boxHeightMm',
  'boxWidthMm',
] as const;

const CELL_KEYS = [
  'capacityAh',
  'resistanceMohm',
  'continuousA',
  'peakA',
  'chargeA',
  'widthMm',
  'depthMm',
  'heightMm',
] as const;

const CONTROLLER_KEYS = [
  'ratedV',
  'capacitorUf',
  'batteryCurrentA',
  'phaseCurrentA',
  'lowVoltageCutoffV',
  'resistanceMohm',
  'standbyW',
  'massKg',
] as const;

const DONOR_KEYS = [
  'massKg',
  'beadMm',
  'tyreMm',
  'wheelbaseMm',
  'otherBeadMm',
  'otherTyreMm',
  'chainstayMm',
  'bracketHeightMm',
  'frontOldMm',
  'rearOldMm',
  'slotWidthMm',
  'slotDepthMm',
  'dropoutMm',
  'shellWidthMm',
  'shellBoreMm',
  'chainlineMm',
  'permittedKg',
  'rackLoadKg',
  'shockStrokeMm',
] as const;

/** A donor replaces everything that was measured on the one before: it is another bicycle. */
function withDonor(build: BuildDocument, part: PartOf<'donor'>): BuildDocument {
  const sameStyle = build.donor.style === part.style;
  return {
    ...build,
    donor: {
      ...build.donor,
      name: part.name,
      style: part.style,
      wheelCount: part.wheelCount,
      frameMaterial: part.frameMaterial,
      forkMaterial: part.forkMaterial,
      forkKind: part.forkKind,
      axle: part.axle,
      shell: part.shell,
      brakeFront: part.brakeFront,
      brakeRear: part.brakeRear,
      levers: part.levers,
      points: {},
      outline: 'unknown',
      bosses: null,
      ...labelled(part, DONOR_KEYS),
      ownBeadMm: label(part.beadMm),
      rolloutMm: unknown,
      massAheadMm: unknown,
      massHeightMm: unknown,
    },
    pack: sameStyle
      ? build.pack
      : { ...build.pack, boxes: build.pack.boxes.map(() => ({ place: usualPlace(part.style), at: null })) },
  };
}

/** A pack made from these cells: what was measured on the pack before is of another pack. */
function withCell(build: BuildDocument, part: PartOf<'cell'>): BuildDocument {
  return {
    ...build,
    pack: {
      ...build.pack,
      make: 'cells',
      chemistry: part.chemistry,
      massKg: unknown,
      boxLengthMm: unknown,
      boxHeightMm: unknown,
      boxWidthMm: unknown,
    },
    cell: {
      ...build.cell,
      name: part.name,
      round: part.round,
      inBody: part.inBody,
      price: part.currency === build.money.currency ? part.price : null,
      massG: label(part.massKg * 1000),
      ...labelled(part, CELL_KEYS),
    },
  };
}

function copied(build: BuildDocument, part: Part): BuildDocument {
  switch (part.type) {
    case 'motor':
      return {
        ...build,
        drive: {
          ...build.drive,
          name: part.name,
          kind: part.kind,
          freewheel: part.freewheel,
          windingSensor: part.windingSensor,
          discMount: part.discMount,
          throughAxle: part.throughAxle,
          ...labelled(part, MOTOR_KEYS),
        },
      };
    case 'pack':
      return {
        ...build,
        pack: {
          ...build.pack,
          make: 'ready',
          name: part.name,
          chemistry: part.chemistry,
          ...labelled(part, PACK_KEYS),
        },
      };
    case 'cell':
      return withCell(build, part);
    case 'charger':
      return {
        ...build,
        charger: {
          ...build.charger,
          name: part.name,
          ...labelled(part, ['volts', 'currentA', 'efficiencyPct']),
        },
      };
    case 'connector':
      return { ...build, cabling: { ...build.cabling, connectorA: label(part.connectorA) } };
    case 'wire':
      return {
        ...build,
        cabling: {
          ...build.cabling,
          conductor: part.conductor,
          ...labelled(part, ['leadMm2', 'insulationC']),
        },
      };
    case 'controller':
      return {
        ...build,
        controller: { ...build.controller, name: part.name, ...labelled(part, CONTROLLER_KEYS) },
      };
    case 'donor':
      return withDonor(build, part);
    case 'ring':
      return {
        ...build,
        gearing: { ...build.gearing, ringTeeth: label(part.teeth) },
        drive:
          part.ringLineMm === null ? build.drive : { ...build.drive, ringLineMm: label(part.ringLineMm) },
      };
    case 'cogs':
      return {
        ...build,
        gearing: {
          ...build.gearing,
          cogTeeth: [...part.cogTeeth],
          hubRatios: [...part.hubRatios],
          heldCogTeeth: null,
          heldHubGear: null,
        },
      };
    case 'tyre':
      return {
        ...build,
        donor: {
          ...build.donor,
          beadMm: label(part.beadMm),
          tyreMm: label(part.tyreMm),
          crr: label(part.crr),
          tyreGrip: label(part.grip),
          tyreGripWet: label(part.gripWet),
          rolloutMm: unknown,
        },
      };
  }
}

const PRICED = ['donor', 'motor', 'pack', 'controller'] as const;

/**
 * Copies a part's values into a build, marked as read from its label, and remembers which part it was.
 * Prices only in the build's currency; rings, cogs and tyres have no line of their own.
 */
export function applyPart(build: BuildDocument, part: Part): BuildDocument {
  const next = copied(build, part);
  const line = PRICED.find((type) => type === part.type);
  const price = part.currency === build.money.currency ? part.price : null;
  return {
    ...next,
    money: line === undefined ? next.money : { ...next.money, [line]: price },
    shelf: { ...next.shelf, [part.type]: part.id },
  };
}
