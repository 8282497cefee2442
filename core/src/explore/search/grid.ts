import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { motorCount } from '../../document/motors.ts';
import type { PartType } from '../../document/part-types.ts';
import { letsIn, usualOf } from '../../law/usual.ts';
import type { RuleBook } from '../../law/rule-schema.ts';
import { hasBoard } from '../../document/pack-board.ts';
import { buyPart } from '../../parts/apply-part.ts';
import { ofType } from '../../parts/of-type.ts';
import type { Part, PartOf } from '../../parts/part.ts';
import { priceIn } from '../../parts/price-in.ts';
import { evaluate } from '../../verdict/evaluate.ts';
import { counts } from '../../workshop/parts-list/purchase-list.ts';
import { asOrdered, newlySet } from '../as-ordered.ts';
import { madeForVolts, sameBead } from '../goes-with.ts';
import { layoutOf, suits, withMotor, type LayoutName } from '../motor-for.ts';
import type { SearchAsked } from './asked.ts';

/** One thing to choose: a part of the shelf, or what the build has. */
interface Choice<T extends PartType> {
  /** Undefined for the build's own. */
  readonly part: PartOf<T> | undefined;
  readonly name: string;
  /** In the build's currency; Infinity where nobody knows. */
  readonly price: number;
}

export interface MotorChoice extends Choice<'motor'> {
  readonly layout: LayoutName;
  /** Its rating is let in where it is ridden; true where nothing is asked. */
  readonly letIn: boolean;
  /** Combinations of tyre, ring and cogs that go with it. */
  readonly geared: readonly Geared[];
}

/** Tyre, ring and cogs together. */
export interface Geared {
  readonly tyre: Choice<'tyre'>;
  readonly ring: Choice<'ring'>;
  readonly cogs: Choice<'cogs'>;
  readonly price: number;
}

/** Pack and controller together, and whether they are made for each other. */
export interface Pair {
  readonly pack: Choice<'pack'>;
  readonly controller: Choice<'controller'>;
  readonly price: number;
  /** Why they do not go together; undefined where they do. */
  readonly why: 'volts' | 'current' | undefined;
}

/** Everything that a search goes through. */
export interface Grid {
  readonly build: BuildDocument;
  readonly asked: SearchAsked;
  readonly motors: readonly MotorChoice[];
  readonly pairs: readonly Pair[];
  /** Where help ends in the usual class of the place, km/h; undefined where nothing of the law is held. */
  readonly cutoffKmh: number | undefined;
  /** What everything but the free parts comes to. */
  readonly rest: number;
  readonly size: number;
}

/** Lines of the parts list that the free parts are. */
const LINES: Readonly<Record<keyof SearchAsked['free'], readonly string[]>> = {
  motor: ['motor'],
  pack: ['pack'],
  controller: ['controller'],
  gearing: ['offset-ring', 'cogs'],
  tyre: ['tyre'],
};

/** What the list comes to without the lines of the free parts, the far end where prices are guessed. */
function restOf(build: BuildDocument, asked: SearchAsked, book: RuleBook, shelf: readonly Part[]): number {
  const { rows, ledger } = evaluate(build, book, shelf).list;
  const free = new Set(
    Object.entries(LINES).flatMap(([part, keys]) =>
      asked.free[part as keyof SearchAsked['free']] ? keys : [],
    ),
  );
  const gone = rows.filter((r) => counts(r) && r.group !== 'tools' && free.has(r.key));
  return ledger.total.most - gone.reduce((sum, r) => sum + (r.price ?? r.likely?.most ?? 0), 0);
}

/** The pair rules, which hang on pack and controller alone: volts and cut-off, amps against the board and the cells. */
function whyNot(
  build: BuildDocument,
  known: KnownBuild,
  pack: PartOf<'pack'> | undefined,
  controller: PartOf<'controller'> | undefined,
): Pair['why'] {
  const [own] = known.packs;
  const volts = pack?.nominalV ?? own.nominalV.value;
  const made = controller ?? ownController(build, known);
  // A pair that the build has already is judged by its checks alone.
  if (pack === undefined && controller === undefined) return undefined;
  if (!madeForVolts(made, volts)) return 'volts';
  const amps = motorCount(build) * made.batteryCurrentA;
  const board = pack?.bmsCurrentA ?? (hasBoard(build.packs[0]) ? own.bmsCurrentA.value : Infinity);
  const cells = pack === undefined ? own.cellsContinuousA.value : (pack.cellsContinuousA ?? Infinity);
  return amps > Math.min(board, cells) ? 'current' : undefined;
}

/** The build's own controller by what is known of it. */
const ownController = (build: BuildDocument, { controller }: KnownBuild) => ({
  ratedV: build.controller.ratedV.source === 'unknown' ? null : controller.ratedV.value,
  lowVoltageCutoffV: controller.lowVoltageCutoffV.value,
  batteryCurrentA: controller.batteryCurrentA.value,
});

/** Puts together what there is to choose for a build. */
export function gridOf(
  build: BuildDocument,
  parts: readonly Part[],
  book: RuleBook,
  asked: SearchAsked,
): Grid {
  const known = knownBuild(build);
  const { free } = asked;
  const priceOf = (part: Part): number => priceIn(build, part) ?? Infinity;
  const choose = <T extends PartType>(
    wanted: boolean,
    list: readonly PartOf<T>[],
    own: string,
    pieces = 1,
  ): readonly Choice<T>[] =>
    wanted
      ? list.map((part) => ({ part, name: part.name, price: pieces * priceOf(part) }))
      : [{ part: undefined, name: own, price: 0 }];
  const tyres = choose(
    free.tyre,
    ofType(parts, 'tyre').filter((p) => sameBead(p.beadMm, known.donor.beadMm.value)),
    'its tyres',
    build.donor.wheelCount,
  );
  const rings = choose(free.gearing, ofType(parts, 'ring'), `${String(known.gearing.ringTeeth.value)} T`);
  const cogs = choose(free.gearing, ofType(parts, 'cogs'), 'its cogs');
  const packs = choose(free.pack, ofType(parts, 'pack'), build.packs[0].name);
  const place = book.find((p) => p.id === build.brief.place);
  const usual = place && usualOf(place, book);
  const geared = (layout: LayoutName): readonly Geared[] =>
    tyres.flatMap((tyre) =>
      rings.flatMap((ring) =>
        cogs
          // A motor in the rear hub leaves no room for a hub gear.
          .filter((c) => !(layout === 'rear' && (c.part?.hubRatios.length ?? 0) > 0))
          .map((c) => ({ tyre, ring, cogs: c, price: tyre.price + ring.price + c.price })),
      ),
    );
  const layouts = new Map<LayoutName, readonly Geared[]>();
  const gearedFor = (layout: LayoutName): readonly Geared[] => {
    const known_ = layouts.get(layout) ?? geared(layout);
    layouts.set(layout, known_);
    return known_;
  };
  const ofMotor = (part: PartOf<'motor'>): readonly MotorChoice[] => {
    const layout = placeFor(build, part);
    if (layout === undefined) return [];
    // Of two hubs the law counts both, and both are bought; a motor in the middle is alone.
    const count = motorCount({ drive: { ...build.drive, kind: part.kind } });
    const letIn = !asked.held.lawful || usual === undefined || letsIn(usual, count * part.ratedPowerW);
    return [
      {
        part,
        layout,
        letIn,
        name: part.name,
        price: count * priceOf(part),
        geared: gearedFor(layout),
      },
    ];
  };
  const motors = free.motor
    ? ofType(parts, 'motor').flatMap(ofMotor)
    : [
        {
          part: undefined,
          layout: layoutOf(build),
          letIn: true,
          name: build.drive.name,
          price: 0,
          geared: gearedFor(layoutOf(build)),
        },
      ];
  // One that turns no motor of the grid is none to choose from; of several kinds each is judged whole.
  const leads = new Set(motors.map((m) => m.part?.commutation ?? build.drive.commutation));
  const controllers = choose(
    free.controller,
    ofType(parts, 'controller').filter((p) => leads.has(p.commutation)),
    build.controller.name,
  );
  const pairs = packs.flatMap((pack) =>
    controllers.map((controller): Pair => ({
      pack,
      controller,
      price: pack.price + controller.price,
      why: whyNot(build, known, pack.part, controller.part),
    })),
  );
  return {
    build,
    asked,
    motors,
    pairs,
    cutoffKmh: asked.held.lawful ? usual?.cutoffKmh : undefined,
    rest: restOf(build, asked, book, parts),
    size: motors.reduce((sum, m) => sum + m.geared.length * pairs.length, 0),
  };
}

/** Where a motor goes: by its kind and its width; one beside the wheel only where the build has such a drive. */
function placeFor(build: BuildDocument, part: PartOf<'motor'>): LayoutName | undefined {
  if (suits(part, 'middle')) return 'middle';
  if (suits(part, 'external')) return layoutOf(build) === 'external' ? 'external' : undefined;
  return suits(part, 'front') ? 'front' : 'rear';
}

/** The build with what was chosen, as such a kit is ordered and set up. */
export function chosenBuild(
  { build, asked, cutoffKmh }: Pick<Grid, 'build' | 'asked' | 'cutoffKmh'>,
  motor: Pick<MotorChoice, 'part' | 'layout'>,
  geared: Pick<Geared, 'tyre' | 'ring' | 'cogs'>,
  pair: Pick<Pair, 'pack' | 'controller'>,
): BuildDocument {
  const packs =
    asked.free.pack && pair.pack.part !== undefined ? { ...build, packs: [build.packs[0]] as const } : build;
  let b: BuildDocument = { ...packs, packs: [...packs.packs] };
  if (motor.part !== undefined) b = withMotor(b, motor.layout, motor.part);
  for (const { part } of [geared.tyre, geared.ring, geared.cogs, pair.pack, pair.controller])
    if (part !== undefined) b = buyPart(b, part);
  return asOrdered(pair.controller.part === undefined ? b : newlySet(b, cutoffKmh));
}
