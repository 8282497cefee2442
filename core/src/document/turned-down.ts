import type { BuildDocument } from './document.ts';
import { knownBuild } from './known.ts';
import type { Sourced } from './quantity-spec.ts';

/**
 * The build with its controller's battery limit set to `amps`. The controller stays the same one: where its phase limit
 * and resistance are not known, what was taken for them is kept and does not follow the new setting.
 */
export function withBatteryLimit(build: BuildDocument, amps: number): BuildDocument {
  const { controller } = build;
  const known = knownBuild(build).controller;
  const kept = (key: 'phaseCurrentA' | 'resistanceMohm'): Sourced =>
    controller[key].source === 'unknown' ? { source: 'assumed', value: known[key].value } : controller[key];
  return {
    ...build,
    controller: {
      ...controller,
      batteryCurrentA: { source: 'assumed', value: amps },
      phaseCurrentA: kept('phaseCurrentA'),
      resistanceMohm: kept('resistanceMohm'),
    },
  };
}
