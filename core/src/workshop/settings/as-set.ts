import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { withQuantity } from '../../document/quantity-at.ts';
import { throttleEnds } from '../../document/throttle.ts';
import { NOTHING_SET } from '../../document/settings.ts';

/** What a controller holds of a setting: what it shows, or what was put in where nobody has read it back. */
const held = ({ settings }: BuildDocument, key: string): number | undefined => {
  const { readBack, entered } = settings.lines[key] ?? NOTHING_SET;
  return readBack ?? entered ?? undefined;
};

/** Settings that are a quantity of the plan. */
const QUANTITIES: readonly (readonly [
  key: string,
  path: QuantityPath,
  counts: (b: BuildDocument) => boolean,
])[] = [
  ['battery-amps', 'controller.batteryCurrentA', () => true],
  ['phase-amps', 'controller.phaseCurrentA', () => true],
  ['weakening-amps', 'controller.weakeningA', (b) => b.controller.weakens === 'yes'],
  ['power-limit', 'controller.powerLimitW', (b) => b.controller.limitsPower],
  ['help-ends', 'controller.assistCutoffKmh', (b) => b.controller.limitsSpeed],
  ['help-fades', 'controller.assistTaperKmh', (b) => b.controller.limitsSpeed],
  ['throttle-ends', 'controls.throttleCutoffKmh', throttleEnds],
  ['walk-ends', 'controls.walkCutoffKmh', (b) => b.controls.throttle === 'walk'],
  ['most-help', 'controls.assistRatio', (b) => b.controls.assistSensor === 'torque'],
];

/**
 * The roll-out by which the controller's speed would be as wrong as it is: the one that it holds, times the pulses of a turn
 * over those it counts for one; undefined where neither was put in otherwise than it is.
 */
function believedRolloutMm(build: BuildDocument, { donor, drive }: KnownBuild): number | undefined {
  const [rollout, pulses] = [held(build, 'roll-out'), held(build, 'poles')];
  const { polePairs, reduction } = drive;
  const isCounted = polePairs.source !== 'unknown' && reduction.source !== 'unknown';
  const turns = Math.round(polePairs.value * reduction.value);
  const share = pulses === undefined || pulses <= 0 || !isCounted ? 1 : turns / pulses;
  if (rollout === undefined && share === 1) return undefined;
  return (rollout ?? donor.rolloutMm.value) * share;
}

/** Each profile as the controller holds it. */
const profilesAsSet = (build: BuildDocument): BuildDocument['controller']['profiles'] =>
  build.controller.profiles.map((profile, i) => ({
    ...profile,
    batteryA: held(build, `profile-${String(i + 1)}/battery-amps`) ?? profile.batteryA,
    cutoffKmh: held(build, `profile-${String(i + 1)}/help-ends`) ?? profile.cutoffKmh,
  }));

/**
 * The build as its controller is set, by what was put in and read back: what is not on the sheet stays as planned. The same
 * build where nothing was put in.
 */
export function builtAsSet(build: BuildDocument, known: KnownBuild): BuildDocument {
  if (Object.keys(build.settings.lines).length === 0) return build;
  const told = QUANTITIES.reduce((now, [key, path, counts]) => {
    const value = held(build, key);
    return value === undefined || !counts(build)
      ? now
      : withQuantity(now, path, { source: 'measured', value });
  }, build);
  const rollout = believedRolloutMm(build, known);
  const { controller } =
    rollout === undefined
      ? told
      : withQuantity(told, 'controller.setRolloutMm', { source: 'measured', value: rollout });
  return { ...told, controller: { ...controller, profiles: profilesAsSet(build) } };
}
