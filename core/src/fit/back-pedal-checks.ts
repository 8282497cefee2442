import { counted } from '../quantity/format.ts';
import { asked, told, type Check } from '../check/check.ts';
import { behindCranks, brakesLeft } from '../document/brakes-left.ts';
import type { Subject } from './subject.ts';

/** A back-pedal brake behind a motor in the bracket: most of those turn free backwards, and pull no chain. */
const backPedal = (s: Subject): readonly Check[] =>
  behindCranks(s.build, s.known)
    ? [
        told({
          id: 'back-pedal',
          group: 'brakes',
          title: 'Back-pedal brake behind this motor',
          state: s.build.drive.pullsBack === 'no' ? 'stop' : 'fine',
          words: s.build.drive.pullsBack === 'no' ? 'it brakes nothing' : 'back-pedal brake',
          limit: ['a motor whose cranks turn the chain backwards too'],
          why: ['Most motors in the bracket run free backwards: pedalling back then brakes nothing.'],
          remedy: ['Take a motor made for back-pedal hubs, or a free-running hub and a rim or disc brake.'],
          origin: 'common practice',
          inputs: [],
          asked: [asked('whether its cranks turn the chain back', s.build.drive.pullsBack)],
        }),
      ]
    : [];

/** A back-pedal brake pulls the lower run of the chain, where a derailleur keeps it tight by a spring. */
const backPedalGears = ({ build, known }: Subject): readonly Check[] =>
  brakesLeft(build, known).rear === 'coaster' && build.gearing.cogTeeth.length > 1
    ? [
        told({
          id: 'back-pedal-gears',
          group: 'brakes',
          title: 'Back-pedal brake and a derailleur',
          state: 'look',
          words: counted(build.gearing.cogTeeth.length, 'cog'),
          limit: ['one cog, or gears in the hub'],
          why: ['Pedalled back the lower run pulls: a derailleur there gives way, and nothing brakes.'],
          remedy: ['Say at Drive which cog it has; with several it has another brake than this.'],
          origin: 'common practice',
          inputs: [],
        }),
      ]
    : [];

/** What a back-pedal brake asks of motor and gears. */
export const backPedalChecks = (s: Subject): readonly Check[] => [...backPedal(s), ...backPedalGears(s)];
