import {
  PACK_PATHS,
  SECTION_SPECS,
  SPECS,
  type BuildDocument,
  type QuantityPath,
  type SectionName,
  type SectionPath,
} from './document.ts';
import type { Known, KnownBuild, KnownPack } from './known-build.ts';
import type { PackDocument } from './pack.ts';
import type { FallbackContext, QuantitySpec, Sourced } from './quantity-spec.ts';
import { countsUnder } from './counts-when.ts';
import { fallbackContext, packContext } from './fallback-context.ts';
import { ladenCentre } from './frame-of.ts';
import { packFromCells } from './pack-from-cells.ts';
import { REST_OF_PATH_MOHM, powerLeadOhm } from './pack-path.ts';
import { rolloutFromSizeMm } from './wheel-size.ts';
import { lazily } from '../quantity/lazily.ts';
import { worked, workedAlways } from './worked.ts';

/** A measurement is never known worse than this many times its value. */
const WIDEST = 100;

function known(path: QuantityPath, spec: QuantitySpec, entered: Sourced, context: FallbackContext): Known {
  const { label, unit } = spec;
  if (entered.source !== 'unknown') {
    const { value, source, plusMinus } = entered;
    if (plusMinus === undefined || value === 0) return { path, label, unit, value, source, origin: '' };
    // How well it was measured says more than how well such things are usually measured.
    const spread = Math.min(WIDEST, plusMinus / Math.abs(value));
    return { path, label, unit, value, source, origin: '', spread };
  }
  const { fallback, because, origin } = spec;
  const value =
    typeof fallback === 'function' ? Math.min(spec.max, Math.max(spec.min, fallback(context))) : fallback;
  const spread = spec.spread?.(context);
  const source = 'unknown';
  if (because === undefined)
    return spread === undefined
      ? { path, label, unit, value, source, origin }
      : { path, label, unit, value, source, origin, spread };
  // Written only where it is read: a build is resolved at every keystroke.
  const told = {
    path,
    label,
    unit,
    value,
    source,
    get origin() {
      return because(context);
    },
  } as const;
  return spread === undefined ? told : Object.assign(told, { spread });
}

type Row = readonly [key: string, path: QuantityPath, spec: QuantitySpec, asksOthers: boolean];
/** Resolved quantities by key, in the order of their group. */
type Values = Record<string, Known>;
/** The quantities of a group; what each entered group comes to by itself, while somebody holds it. */
interface Group {
  readonly rows: readonly Row[];
  /** Those whose default asks what else is known of the build. */
  readonly asking: readonly Row[];
  readonly byItself: WeakMap<object, Readonly<Record<string, Known | undefined>>>;
}
function groupOf(section: SectionPath): Group {
  const rows = Object.entries(SECTION_SPECS.get(section) ?? {}).map(([key, spec]): Row => {
    const { fallback, because, spread } = spec;
    const asksOthers = typeof fallback === 'function' || because !== undefined || spread !== undefined;
    return [key, `${section}.${key}` as QuantityPath, spec, asksOthers];
  });
  return { rows, asking: rows.filter(([, , , asksOthers]) => asksOthers), byItself: new WeakMap() };
}

/** The specs flattened once: a build is resolved at every keystroke. */
const GROUPS = (Object.keys(SPECS) as SectionName[]).map((section) => [section, groupOf(section)] as const);
const PACK_GROUPS = PACK_PATHS.map((path) => ({
  own: groupOf(path),
  cell: groupOf(`${path}.cell`),
  charger: groupOf(`${path}.charger`),
}));

/**
 * A speed that the controller knows by turns of the wheel, on the road: the true roll-out over the one it holds
 * times what is set. Derived.
 */
function trueSpeed(set: Known, rollout: Known, held: Known): Known {
  const wheel = rollout.value / held.value;
  if (wheel === 1 && rollout.source !== 'unknown') return set;
  const value = set.value * wheel;
  return set.source === 'unknown' ? { ...set, value } : workedAlways(set, value, [rollout]);
}

/** A known build while it is being filled. */
type Filling = {
  -readonly [S in SectionName]: { -readonly [K in keyof KnownBuild[S]]: Known };
} & { packs: FillingPack[] };
type FillingPack = { -readonly [K in keyof KnownPack]: KnownPack[K] };

const at = (values: object, key: string): Sourced =>
  (values as Readonly<Record<string, Sourced>>)[key] as Sourced;

/**
 * What is entered, and what has one default for every machine: found once for each entered group. The rest stands there
 * empty, so that everything is in its order.
 */
function byItselfOf({ rows, byItself }: Group, values: object, context: FallbackContext) {
  const before = byItself.get(values);
  if (before !== undefined) return before;
  const found: Record<string, Known | undefined> = {};
  for (const [key, path, spec, asksOthers] of rows) {
    const one = at(values, key);
    found[key] = asksOthers && one.source === 'unknown' ? undefined : known(path, spec, one, context);
  }
  byItself.set(values, found);
  return found;
}

/** One group of quantities as entered, or by their stated defaults. */
function resolved(group: Group, values: object, context: FallbackContext): Values {
  const out: Record<string, Known | undefined> = { ...byItselfOf(group, values, context) };
  for (const [key, path, spec] of group.asking) out[key] ??= known(path, spec, at(values, key), context);
  return out as Values;
}

/** One pack, by its own volts, cells and chemistry. */
function packOf(pack: PackDocument, index: number, context: FallbackContext): FillingPack {
  const groups = PACK_GROUPS[index];
  if (groups === undefined) throw new TypeError(`no pack ${String(index)}`);
  const own = index === 0 ? context : { ...context, ...packContext(pack) };
  return {
    ...resolved(groups.own, pack, own),
    cell: resolved(groups.cell, pack.cell, own),
    charger: resolved(groups.charger, pack.charger, own),
  } as unknown as FillingPack;
}

/** Every quantity as it was entered, or by its stated default. */
function entered(build: BuildDocument): Filling {
  const context = fallbackContext(build);
  const all: Record<string, unknown> = {};
  for (const [section, group] of GROUPS) all[section] = resolved(group, build[section], context);
  all['packs'] = build.packs.map((pack, i) => packOf(pack, i, context));
  return all as unknown as Filling;
}

/**
 * Resolves every quantity of a build. What a pack made from cells has is worked out from them, unknown
 * wiring from the leads once they are known, the gears of a hub that has none, an unknown roll-out from the wheel size, an unknown centre of
 * mass from everything that weighs and where it is.
 */
export function knownBuild(build: BuildDocument): KnownBuild {
  const all = entered(build);
  const leads = powerLeadOhm(build, all);
  build.packs.forEach((pack, i) => {
    const one = all.packs[i];
    if (one === undefined) return;
    if (pack.make === 'cells') Object.assign(one, packFromCells(pack, one));
    if (leads !== undefined) one.wiringMohm = worked(one.wiringMohm, REST_OF_PATH_MOHM + 1000 * leads, []);
  });
  if (build.drive.kind === 'direct-drive-hub') {
    // Its rotor is the wheel: there is nothing in it to count or to lose by.
    all.drive.reduction = worked(all.drive.reduction, 1, []);
    all.drive.efficiency = worked(all.drive.efficiency, 1, []);
  }
  const known = all as Filling & KnownBuild;
  const { donor, controller, controls } = all;
  const { beadMm, tyreMm } = donor;
  donor.rolloutMm = worked(donor.rolloutMm, rolloutFromSizeMm(beadMm.value, tyreMm.value), [beadMm, tyreMm]);
  const { setRolloutMm } = controller;
  if (setRolloutMm.source !== 'unknown') {
    controller.assistCutoffKmh = trueSpeed(controller.assistCutoffKmh, donor.rolloutMm, setRolloutMm);
    controls.throttleCutoffKmh = trueSpeed(controls.throttleCutoffKmh, donor.rolloutMm, setRolloutMm);
    controls.walkCutoffKmh = trueSpeed(controls.walkCutoffKmh, donor.rolloutMm, setRolloutMm);
  } else {
    // Its speeds are taken as true: as if it held the wheel that is there.
    controller.setRolloutMm = { ...setRolloutMm, value: donor.rolloutMm.value };
  }
  // Only what leans or is loaded asks where the mass is; the frame is not drawn for the rest.
  const { massAheadMm, massHeightMm } = donor;
  const centre = lazily({ at: () => ladenCentre(build, known) });
  const located = lazily({
    massAheadMm: () => worked(massAheadMm, Math.max(1, centre.at.x), []),
    massHeightMm: () => worked(massHeightMm, Math.max(1, centre.at.y), []),
  });
  Object.defineProperties(donor, Object.getOwnPropertyDescriptors(located));
  return known;
}

/** True when the quantity counts under the build's choices. */
export const inUse = (build: BuildDocument, path: QuantityPath): boolean => countsUnder(build, path);

/** Every known quantity that counts, as a flat list in document order. Written out: it is asked at every keystroke. */
export function knownInUse(build: BuildDocument, known: KnownBuild): readonly Known[] {
  const out: Known[] = [];
  const take = (group: object): void => {
    for (const k of Object.values(group) as readonly Known[])
      if ('path' in k && inUse(build, k.path)) out.push(k);
  };
  for (const [section] of GROUPS) {
    if (section === 'joining')
      for (const pack of known.packs) {
        take(pack);
        take(pack.cell);
        take(pack.charger);
      }
    take(known[section]);
  }
  return out;
}
