import type { BuildDocument } from './document.ts';

/**
 * Whether it matters what help in proportion follows: a motor at the cranks turns with them, so that its share of the torque is its
 * share of the power; one that drives the wheel has the more power for the same torque the taller the gear.
 */
export const asksWhatFollows = ({ controls, drive }: Pick<BuildDocument, 'controls' | 'drive'>): boolean =>
  controls.assistSensor === 'torque' && drive.kind !== 'mid-drive';
