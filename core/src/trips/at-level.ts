import type { BuildDocument, QuantityPath } from '../document/document.ts';
import { quantityAt, withQuantity } from '../document/quantity-at.ts';
import { withBatteryLimit } from '../document/turned-down.ts';
import type { Level } from './levels.ts';

/**
 * The build whose highest level of help is this one: what the display can then no longer reach is taken away, and
 * nothing else. A hand control gives all there is at every level, so that its build stays as it is; and a level that is
 * a share of a value which nobody has said stays as unsure as that.
 */
export function builtToLevel(build: BuildDocument, { sets }: Pick<Level, 'sets'>): BuildDocument {
  if (sets.unit === '1') return lowered(build, 'controls.assistRatio', sets.value);
  const { controls, controller } = build;
  if (controls.throttle === 'full' || controls.throttle === 'pedalling') return build;
  switch (sets.unit) {
    case 'A':
      if (controller.batteryCurrentA.source === 'unknown') return build;
      return withQuantity(withBatteryLimit(build, sets.value), 'controller.batteryCurrentA', {
        ...controller.batteryCurrentA,
        value: sets.value,
      });
    case 'W':
      if (controller.limitsPower) return lowered(build, 'controller.powerLimitW', sets.value);
      return controller.batteryCurrentA.source === 'unknown'
        ? build
        : limited(build, { limitsPower: true, powerLimitW: { source: 'assumed', value: sets.value } });
    case 'km/h':
      return controller.limitsSpeed
        ? lowered(build, 'controller.assistCutoffKmh', sets.value)
        : limited(build, { limitsSpeed: true, assistCutoffKmh: { source: 'assumed', value: sets.value } });
  }
}

/** A limit that the controller has not yet. */
const limited = (build: BuildDocument, changes: Partial<BuildDocument['controller']>): BuildDocument => ({
  ...build,
  controller: { ...build.controller, ...changes },
});

/** A value set lower, as well known as it was. */
function lowered(build: BuildDocument, path: QuantityPath, value: number): BuildDocument {
  const now = quantityAt(build, path);
  return now.source === 'unknown' ? build : withQuantity(build, path, { ...now, value });
}
