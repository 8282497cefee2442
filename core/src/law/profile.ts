import type { BuildDocument } from '../document/document.ts';

/** A way the machine can be ridden: as set, or as its rider can switch it. */
export interface Profile {
  /** Empty for the settings of the build itself. */
  readonly name: string;
  readonly build: BuildDocument;
}

type Stored = BuildDocument['controller']['profiles'][number];

/** Without a limit nothing ends the help: the cut-off entered for another setting counts no more. */
function switched(build: BuildDocument, profile: Stored): BuildDocument {
  const { controller, controls } = build;
  const { limitsSpeed, cutoffKmh, batteryA, throttle } = profile;
  return {
    ...build,
    controller: {
      ...controller,
      limitsSpeed,
      ...(cutoffKmh === null ? {} : { assistCutoffKmh: { source: 'label', value: cutoffKmh } }),
      ...(batteryA === null ? {} : { batteryCurrentA: { source: 'label', value: batteryA } }),
    },
    controls: throttle === 'same' ? controls : { ...controls, throttle, throttleLimited: false },
  };
}

/** What a profile is called; one that nobody named is called so. */
export const profileName = ({ name }: Stored): string => (name.trim() === '' ? 'unnamed profile' : name);

/** The name of the profile that a wire, a jumper or a hidden menu makes. */
export const LIFTED = 'limit lifted';

/**
 * Every way the rider can have it: as set, each profile that the rider can switch to, and without a speed limit where
 * a wire, a jumper or a hidden menu lifts it. What only the workshop's programmer reaches is not among them.
 */
export function profilesOf(build: BuildDocument): readonly Profile[] {
  const { profiles, lifted } = build.controller;
  return [
    { name: '', build },
    ...profiles
      .filter((p) => p.reach === 'rider')
      .map((p) => ({ name: profileName(p), build: switched(build, p) })),
    ...(lifted === 'yes'
      ? [
          {
            name: LIFTED,
            build: {
              ...build,
              controller: { ...build.controller, limitsSpeed: false },
              controls: { ...build.controls, throttleLimited: false },
            },
          },
        ]
      : []),
  ];
}
