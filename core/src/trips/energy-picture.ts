import type { Ledger } from '../ride/ledger.ts';
import type { Ride } from '../ride/ride.ts';

type EnergyId = Exclude<keyof Ledger, 'motion' | 'pack' | 'regenerated' | 'rider'> | 'motion';

/** One share of the energy of a ride, Wh and Wh per km. */
export interface EnergyRow {
  readonly id: EnergyId | 'pack' | 'regenerated' | 'rider' | 'downhill' | 'tailwind';
  readonly label: string;
  readonly wh: number;
  readonly whPerKm: number;
}

export interface EnergyPicture {
  /** Where it came from: the pack without what was put back, what braking put back, the legs. */
  readonly from: readonly EnergyRow[];
  /** Where it went, the most first. */
  readonly to: readonly EnergyRow[];
  readonly totalWh: number;
}

const LABELS: Readonly<Record<EnergyId, string>> = {
  rolling: 'Rolling',
  air: 'Air',
  grade: 'Gained in height',
  motion: 'Still in motion',
  brakes: 'Brakes',
  copper: 'Winding, copper',
  core: 'Motor, iron',
  gears: 'Motor gears and chain',
  chain: 'Chain from the legs',
  controller: 'Controller',
  cells: 'Inside the cells',
  leads: 'Leads and plugs',
  accessories: 'Lights and others',
};

/**
 * Where the energy of a ride came from and went. A ride that ends lower than it began has its height as a source,
 * and so has a wind that pushes; what braking puts back is counted as taken and given back.
 */
export function energyPicture({ ledger, metres }: Pick<Ride, 'ledger' | 'metres'>): EnergyPicture {
  const km = Math.max(1e-6, metres / 1000);
  const row = (id: EnergyRow['id'], label: string, joules: number): EnergyRow => ({
    id,
    label,
    wh: joules / 3600,
    whPerKm: joules / 3600 / km,
  });
  const losses = (Object.keys(LABELS) as readonly EnergyId[]).map((id) => row(id, LABELS[id], ledger[id]));
  const from = [
    row('pack', 'Pack', ledger.pack + ledger.regenerated),
    row('rider', 'Rider', ledger.rider),
    ...(ledger.grade < 0 ? [row('downhill', 'Height given up', -ledger.grade)] : []),
    ...(ledger.air < 0 ? [row('tailwind', 'Tailwind', -ledger.air)] : []),
  ];
  const to = [
    ...losses.filter((r) => r.wh > 0),
    ...(ledger.regenerated > 0 ? [row('regenerated', 'Put back by braking', ledger.regenerated)] : []),
  ].sort((a, b) => b.wh - a.wh);
  return { from, to, totalWh: from.reduce((sum, r) => sum + r.wh, 0) };
}
