import { labelWatts } from '../../machine/limits.ts';
import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { LawFacts } from '../facts.ts';
import type { PlaceVerdict } from '../judge.ts';
import { highestVolts } from '../../power-chain/subject.ts';
import { assembleKnown } from '../../machine/assemble.ts';
import { thirtyMinutePower } from '../../ride/thirty-minute.ts';
import { MACHINE_TRAPS } from './machine-traps.ts';
import { ALWAYS, PLACE_TRAPS } from './place-traps.ts';
import type { Scene, Trap } from './trap.ts';

/** The mistakes that converters make about these laws, each held against the build. Sources: the rule files' own, common practice. */
export function traps(
  build: BuildDocument,
  facts: LawFacts,
  place: PlaceVerdict,
  places: readonly PlaceVerdict[],
): readonly Trap[] {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const scene: Scene = {
    build,
    known,
    facts,
    place,
    places,
    held: thirtyMinutePower(machine),
    inputW: labelWatts(machine.limits, known.packs[0].nominalV.value),
    fullV: highestVolts(build, known),
  };
  return [...[...MACHINE_TRAPS, ...PLACE_TRAPS].map((trap) => trap(scene)), ...ALWAYS];
}
