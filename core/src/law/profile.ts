import type { BuildDocument } from '../document/document.ts';

/** A way the machine can be ridden: as set, or as its rider can switch it. */
export interface Profile {
  /** Empty for the settings of the build itself. */
  readonly name: string;
  readonly build: BuildDocument;
  /** False where nobody has looked whether the rider can have it so. */
  readonly sure?: boolean;
  /** It is planned that the rider cannot; nobody has looked. */
  readonly planned?: boolean;
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
    controls: {
      ...controls,
      ...(throttle === 'same' ? {} : { throttle, throttleLimited: false }),
      // Without a limit of speed the hand has none either.
      ...(limitsSpeed ? {} : { throttleLimited: false }),
    },
  };
}

/** What a profile is called; one that nobody named is called so. */
export const profileName = ({ name }: Stored): string => (name.trim() === '' ? 'unnamed profile' : name);

/** The name of the profile that a wire, a jumper or a hidden menu makes. */
export const LIFTED = 'limit lifted';

const ON_PACK = 'on pack ';
const BEFORE_PACK = ', ';

/** The setting of the controller that a way of riding rests on; empty for the build's own, on whatever pack. */
export function settingOf(way: string): string {
  if (way.startsWith(ON_PACK)) return '';
  const at = way.indexOf(BEFORE_PACK + ON_PACK);
  return at < 0 ? way : way.slice(0, at);
}

/** Something limits it, that could be lifted. */
const limited = ({ controller, controls }: BuildDocument): boolean =>
  controller.limitsSpeed || controls.throttleLimited;

/** The build as set, each profile that the rider can switch to, and without a limit where it can be lifted. */
function settings(build: BuildDocument): readonly Profile[] {
  const { profiles, lifted } = build.controller;
  return [
    { name: '', build },
    ...profiles
      .filter((p) => p.reach === 'rider')
      .map((p) => ({ name: profileName(p), build: switched(build, p) })),
    ...(lifted === 'yes' || ((lifted === 'unknown' || lifted === 'planned') && limited(build))
      ? [
          {
            name: LIFTED,
            sure: lifted === 'yes',
            planned: lifted === 'planned',
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

/** With each other pack first: a switch that the rider can flip. Packs joined directly or behind diodes all drive as set. */
function onOtherPacks({ name, build, sure = true, planned = false }: Profile): readonly Profile[] {
  if (build.joining.how !== 'switch') return [];
  const [first, ...others] = build.packs;
  return others.map((pack, i): Profile => ({
    name: `${name === '' ? '' : `${name}${BEFORE_PACK}`}${ON_PACK}${String(i + 2)}`,
    sure,
    planned,
    build: { ...build, packs: [pack, first, ...others.filter((other) => other !== pack)] },
  }));
}

/**
 * Every way the rider can have it: as set, each profile that the rider can switch to, without a speed limit where a wire, a
 * jumper or a hidden menu lifts it; and each of them on every pack. What only the workshop's programmer reaches is not
 * among them.
 */
export function profilesOf(build: BuildDocument): readonly Profile[] {
  const ways = settings(build);
  return build.packs.length === 1 ? ways : [...ways, ...ways.flatMap(onOtherPacks)];
}
