import { packIndexOf, specAt, type BuildDocument, type QuantityPath } from './document.ts';

type Span = readonly [low: number, high: number];

/**
 * Small motors that drive the wheel by a chain or belt of their own: outrunners and motors with brushes turn faster, and weigh and warm
 * less, than what is usual in a wheel or a bracket. From memory.
 */
const EXTERNAL: Partial<Record<QuantityPath, Span>> = {
  'drive.kvRpmPerV': [25, 300],
  'drive.massKg': [0.3, 14],
  'drive.resistanceOhm': [0.008, 1],
  'drive.hysteresisNm': [0.005, 0.6],
  'drive.eddyNms': [1e-5, 0.03],
  'drive.ratedRpm': [500, 12_000],
  'drive.noLoadRpm': [500, 15_000],
  'drive.labelNm': [0.5, 80],
  'drive.windingHeatJK': [40, 5000],
  'drive.shellHeatJK': [50, 8000],
  'drive.coupleWK': [0.1, 12],
};

/** A closed fairing over the rider. From memory. */
const LYING: Partial<Record<QuantityPath, Span>> = { 'donor.cdaM2': [0.07, 2] };

/** Of a pack, by its own key: lead is heavy and has many cells, a small pack of a light motor few. Common practice. */
const SMALL_PACK: Readonly<Record<string, Span>> = {
  nominalV: [20, 84],
  cellsInSeries: [6, 24],
  massKg: [0.7, 60],
};
const LEAD: Readonly<Record<string, Span>> = { nominalV: [12, 84], cellsInSeries: [6, 42] };

/** Between which values a quantity usually lies in a build like this one; outside them it is kept, used and said. */
export function usualOf(build: BuildDocument, path: QuantityPath): Span {
  const { plausible } = specAt(path);
  const external = build.drive.kind === 'external';
  const pack = packIndexOf(path);
  if (pack !== undefined) {
    const key = path.slice(path.lastIndexOf('.') + 1);
    if (build.packs[pack]?.chemistry === 'lead-acid') return LEAD[key] ?? plausible;
    return external ? (SMALL_PACK[key] ?? plausible) : plausible;
  }
  const lying = build.donor.style === 'recumbent';
  return (lying ? LYING[path] : undefined) ?? (external ? EXTERNAL[path] : undefined) ?? plausible;
}
