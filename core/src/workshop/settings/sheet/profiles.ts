import type { Phrase } from '../../../quantity/phrase.ts';
import type { Job } from '../../job.ts';
import { setting, type Setting } from './setting.ts';

/** Of each profile that can be switched to, what it sets otherwise. */
export const profiles = ({ build }: Job): readonly Setting[] =>
  build.controller.profiles.flatMap((profile, i) => {
    const key = `profile-${String(i + 1)}`;
    const named = profile.name.trim() === '' ? `Profile ${String(i + 2)}` : profile.name;
    const because: Phrase = [
      profile.reach === 'rider' ? 'the rider can switch to it: Law counts it' : 'only with the programmer',
    ];
    return [
      ...(profile.batteryA === null
        ? []
        : [
            setting({
              key: `${key}/battery-amps`,
              name: `${named}: battery current`,
              unit: 'A',
              plan: profile.batteryA,
              because,
              ifWrong: 'As in the first profile.',
            }),
          ]),
      ...(profile.cutoffKmh === null
        ? []
        : [
            setting({
              key: `${key}/help-ends`,
              name: `${named}: help ends at`,
              unit: 'km/h',
              plan: profile.cutoffKmh,
              because,
              ifWrong: 'The fastest profile that the rider can reach decides the class.',
            }),
          ]),
    ];
  });
