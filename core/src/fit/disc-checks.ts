import { qty } from '../quantity/phrase.ts';
import { asked, measured, told, type Check } from '../check/check.ts';
import type { Subject } from './subject.ts';

/** Room between caliper and motor cover, mm. Common practice, no source. */
const CALIPER_MM = 3;

/** Whose fork or stay the caliper stands on. */
export function discChecks(s: Subject): readonly Check[] {
  const kind = s.hub === 'front' ? s.build.donor.brakeFront : s.build.donor.brakeRear;
  if (kind !== 'cable-disc' && kind !== 'hydraulic-disc') return [];
  const mount = s.build.drive.discMount;
  return [
    told({
      id: 'disc-mount',
      group: 'wheel',
      title: 'Disc mount on the motor',
      state: mount === 'yes' ? 'fine' : 'stop',
      words: mount === 'yes' ? 'six bolts on 44 mm' : 'no mount',
      limit: ['six bolts on a 44 mm circle'],
      why:
        mount === 'yes'
          ? ['The disc goes on the motor as on a hub.']
          : ['The wheel would lose its disc brake.'],
      remedy: ['Take a motor with a disc mount, or fit a rim brake.'],
      origin: 'common practice',
      source: 'the usual six-bolt pattern, 44 mm',
      inputs: [],
      asked: [asked('disc mount on the motor', mount)],
    }),
    measured({
      id: 'caliper-gap',
      group: 'wheel',
      title: 'Disc caliper to motor cover',
      value: s.known.donor.caliperGapMm.value,
      unit: 'mm',
      sense: 'least',
      fine: CALIPER_MM,
      look: 1,
      limit: ['at least ', qty(CALIPER_MM, 'mm', 0)],
      why: ['A cover that touches the caliper wears through, and heat shuts the gap further.'],
      remedy: ['Shim the disc outwards, space the axle, or take a smaller caliper.'],
      origin: 'common practice',
      inputs: [s.known.donor.caliperGapMm],
    }),
    ...rotorSize(s),
  ];
}

/** Another disc than the caliper stands for: its adapter moves it by half the difference. Looked at once either is known. */
function rotorSize(s: Subject): readonly Check[] {
  const { donor, drive } = s.known;
  if (donor.rotorMm.source === 'unknown' && drive.rotorMm.source === 'unknown') return [];
  const more = drive.rotorMm.value - donor.rotorMm.value;
  return [
    measured({
      id: 'rotor-size',
      group: 'wheel',
      title: 'Disc on the motor against the caliper’s own',
      value: Math.abs(more),
      unit: 'mm',
      sense: 'most',
      fine: 1,
      look: 45,
      limit: ['the same, or an adapter for the caliper'],
      why:
        Math.abs(more) <= 1
          ? ['The caliper stands where this disc runs.']
          : [
              'The caliper has to stand ',
              qty(Math.abs(more) / 2, 'mm', 1),
              more > 0 ? ' further from the axle.' : ' nearer to the axle, which few mounts allow.',
            ],
      remedy:
        more > 0
          ? [
              'Fit the caliper adapter for ',
              qty(drive.rotorMm.value, 'mm', 0),
              ', and ask whether fork or frame is released for that disc.',
            ]
          : ['Put the old size of disc on the motor; shims under it bring it under the caliper.'],
      origin: 'common practice',
      source: 'usual discs 140, 160, 180 and 203 mm',
      inputs: [donor.rotorMm, drive.rotorMm],
    }),
  ];
}
