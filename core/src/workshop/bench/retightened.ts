import { heldBy, type Job } from '../job.ts';
import { comesOut } from '../parts-list/helpers.ts';

/** Titles of what is tightened again after the first ride, and after the first 50 km. */
export const RETIGHTENED: Readonly<
  Record<ReturnType<typeof heldBy>, { readonly again: string; readonly later: string }>
> = {
  hub: { again: 'Axle nuts, arms and spokes again', later: 'Spokes and axle nuts after 50 km' },
  middle: {
    again: 'Bolts of motor, ring and cranks again',
    later: 'Lock ring, cranks and ring after 50 km',
  },
  external: {
    again: 'Mount and drive of the motor again',
    later: 'Mount and drive of the motor after 50 km',
  },
};

/** What settles, and is looked at with the wrench. */
export function retightened(job: Job): readonly string[] {
  const { torqueArms, medium } = job.build.drive;
  const crankBolts = comesOut(job.build).cranks === undefined ? [] : ['Crank bolts'];
  switch (heldBy(job)) {
    case 'hub':
      return ['Axle nuts', ...(torqueArms > 0 ? ['Torque arms'] : []), 'Spokes', ...crankBolts];
    case 'middle':
      return ['Lock ring', 'Crank bolts', 'Chainring bolts'];
    case 'external':
      return [
        'Motor mount',
        'Screws of both sprockets',
        medium === 'belt' ? 'Tension of the belt' : 'Slack of its chain',
        ...crankBolts,
      ];
  }
}
