import type { BuildDocument } from '../document/document.ts';
import { asksWhatHoldsHand } from '../document/throttle.ts';

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

/** The name of the way that is open while nobody has said whether the limit of the help holds the throttle too. */
const PAST_LIMIT = 'throttle past the limit';

const ON_PACK = 'on pack ';
const AND = ', ';
/** What is added to the name of a setting that is no setting of its own. */
const ADDED = new RegExp(`(^|${AND})(${PAST_LIMIT}|${ON_PACK})`);
const HAND = new RegExp(`(^|${AND})${PAST_LIMIT}(${AND}|$)`);

/** The setting of the controller that a way of riding rests on; empty for the build's own, by hand or foot and on whatever pack. */
export function settingOf(way: string): string {
  const at = way.search(ADDED);
  return at < 0 ? way : way.slice(0, at);
}

/** True of a way that is open only while nobody has said whether the limit holds the throttle. */
export const isPastLimit = (way: string): boolean => HAND.test(way);

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

/** Driven by a throttle past the limit of the help, where that is not ruled out. */
function pastLimit({ name, build, sure = true }: Profile): readonly Profile[] {
  const { limitHoldsThrottle: holds } = build.controls;
  if (!asksWhatHoldsHand(build) || holds === 'yes' || holds === 'no') return [];
  return [
    {
      name: name === '' ? PAST_LIMIT : `${name}${AND}${PAST_LIMIT}`,
      sure: false,
      planned: sure && holds === 'planned',
      build: { ...build, controls: { ...build.controls, limitHoldsThrottle: 'no' } },
    },
  ];
}

/** With each other pack first: a switch that the rider can flip. Packs joined directly or behind diodes all drive as set. */
function onOtherPacks({ name, build, sure = true, planned = false }: Profile): readonly Profile[] {
  if (build.joining.how !== 'switch') return [];
  const [first, ...others] = build.packs;
  return others.map((pack, i): Profile => ({
    name: `${name === '' ? '' : `${name}${AND}`}${ON_PACK}${String(i + 2)}`,
    sure,
    planned,
    build: { ...build, packs: [pack, first, ...others.filter((other) => other !== pack)] },
  }));
}

/**
 * Every way the rider can have it: as set, each profile that the rider can switch to, without a speed limit where a wire, a
 * jumper or a hidden menu lifts it, with the throttle past the limit where nobody has said that it is held; and each of them on
 * every pack. What only the workshop's programmer reaches is not among them.
 */
export function profilesOf(build: BuildDocument): readonly Profile[] {
  const set = settings(build);
  const ways = [...set, ...set.flatMap(pastLimit)];
  return build.packs.length === 1 ? ways : [...ways, ...ways.flatMap(onOtherPacks)];
}
