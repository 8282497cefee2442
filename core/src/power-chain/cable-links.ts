import { currentCables, type CurrentCable } from '../document/current-cables.ts';
import type { BuildDocument } from '../document/document.ts';
import { NOTHING_MEASURED } from '../document/harness.ts';
import { partOfDemand } from './demand.ts';
import { link, type Link } from './link.ts';
import { LOWER, leadBears, plugLimits, type Scene } from './scene.ts';

type Carries = CurrentCable['carries'];

const ofKind = (build: BuildDocument, carries: Carries): readonly CurrentCable[] =>
  currentCables(build).filter((c) => c.carries === carries);

/** Every cable of a kind has its own conductor, or its own plug: what the build says in general stands for none of them. */
export function hasOwn(build: BuildDocument, carries: Carries, what: 'mm2' | 'plugA'): boolean {
  const cables = ofKind(build, carries);
  return cables.length > 0 && cables.every(({ key }) => (build.harness.cables[key]?.[what] ?? null) !== null);
}

/** Which part a half belongs to, as a sentence has it. */
const partOf = (port: string): string => (port.split('/')[0] ?? '').replace('-', ' ');

/**
 * Links of the chain that are one cable of the harness: a conductor, a plug, or a part's own tail of which somebody has said what
 * it is. The others are as the build has its leads and plugs in general.
 */
export function cableLinks(scene: Scene, carries: Carries): readonly Link[] {
  const { build, battery, phase } = scene;
  const whole = carries === 'battery' ? battery : phase;
  return ofKind(build, carries).flatMap(({ key, name, from, to, share }): readonly Link[] => {
    const demand = partOfDemand(whole, share);
    const { mm2, plugA } = build.harness.cables[key] ?? NOTHING_MEASURED;
    const base = { cable: key, inputs: [], demand } as const;
    const tails = [from, to].flatMap((port): readonly Link[] => {
      const size = build.harness.ports[port]?.tailMm2 ?? null;
      return size === null
        ? []
        : [
            link({
              ...base,
              id: 'tail',
              cable: `${port} of ${key}`,
              name: `Own lead of the ${partOf(port)}, ${name}`,
              ...leadBears(scene, size, demand),
              failing: 'the thin lead that came with the part softens first',
              remedy: [LOWER, 'replace the lead that came with the part by a thicker one, in copper.'],
              source: 'heat balance of a lead in free air (McAdams 1954)',
            }),
          ];
    });
    return [
      ...(plugA === null
        ? []
        : [
            link({
              ...base,
              id: carries === 'battery' ? ('plug' as const) : ('phase-plug' as const),
              name: `Plug, ${name}`,
              limits: plugLimits(plugA, 1),
              failing: 'it softens its housing',
              remedy: [LOWER, 'take a larger plug.'],
              source: 'its data sheet, typed with the cable',
            }),
          ]),
      ...(mm2 === null
        ? []
        : [
            link({
              ...base,
              id: carries === 'battery' ? ('leads' as const) : ('phase-leads' as const),
              name: `Lead, ${name}`,
              ...leadBears(scene, mm2, demand),
              failing: 'the insulation softens',
              remedy: [LOWER, 'take a thicker lead.'],
              source: 'heat balance of a lead in free air (McAdams 1954), out and back side by side',
            }),
          ]),
      ...tails,
    ];
  });
}
