import type { BuildDocument } from '../document/document.ts';
import { type PinWork, type PortDocument } from '../document/harness.ts';
import { study } from '../verdict/study.ts';
import { sample } from './sample.ts';
import { harnessOf, type Cable } from '../workshop/harness/components.ts';
import { usualPort } from '../workshop/harness/ports.ts';
import { plugFindings } from '../workshop/harness/plug-rules.ts';
import { wiringOf } from '../workshop/harness/wiring.ts';

export const wiring = (build: BuildDocument) => wiringOf(build, study(build).known, study(build).chain);
export const hub = sample({ drive: { name: 'Hub' }, controls: { throttle: 'full' } });
export const cableOf = (build: BuildDocument, key: string): Cable => {
  const found = harnessOf(build).cables.find((c) => c.key === key);
  if (found === undefined) throw new Error(key);
  return found;
};
/** The usual halves of a cable, looked at. */
export function seen(
  build: BuildDocument,
  key: string,
  change: { from?: Partial<PortDocument>; to?: Partial<PortDocument> } = {},
): BuildDocument {
  const { spec, from, to } = cableOf(build, key);
  return {
    ...build,
    harness: {
      ...build.harness,
      ports: {
        ...build.harness.ports,
        [from.key]: { ...usualPort(spec.set, spec.plug, spec.from.sex, false), ...change.from },
        [to.key]: { ...usualPort(spec.set, spec.plug, spec.to.sex, true), ...change.to },
      },
    },
  };
}
export const PACK = [39, 54.6] as const;
export const rules = (build: BuildDocument, key: string): readonly string[] =>
  plugFindings(cableOf(build, key), PACK).map((f) => f.rule);
export const pinsOf = (...works: readonly PinWork[]): PortDocument['pins'] =>
  works.map((work) => ({ work, colour: '' }));
