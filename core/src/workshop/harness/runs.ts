import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { swingsBehind } from '../../document/sprung.ts';
import { boxesOf, frameOf, motorAt } from '../../document/frame-of.ts';
import { drivesBoth } from '../../document/motors.ts';
import type { Frame } from '../../frame/frame.ts';
import { boxOn, placeOf } from '../../frame/places.ts';
import { distance, shifted, type Point } from '../../frame/point.ts';
import type { Cable } from './components.ts';
import { NOTHING_MEASURED, type Hazard } from '../../document/harness.ts';
import { hazardsOf } from './near.ts';
import { wayBetween, waysOn } from './frame-ways.ts';

/** Above the head tube to the grips along stem and bar, mm. Common practice, no source. */
const TO_BAR_MM = 350;

/** A controller on a tube or carrier lies in the middle of it, mm; at the bracket as far above as a hand is high. */
const BOX = { lengthMm: 140, heightMm: 50 } as const;
const ABOVE_BRACKET_MM = 130;

/** Where nobody has said where a controller beside the motor sits, it is drawn beside the first pack. */
export const controllerUnsaid = ({ controller, harness }: BuildDocument): boolean =>
  controller.place !== 'motor' && harness.controllerSits === 'unknown';

/** Where the controller sits. */
function controllerAt(build: BuildDocument, frame: Frame, axle: Point, pack: Point, head: Point): Point {
  const { controllerSits: sits } = build.harness;
  if (build.controller.place === 'motor') return axle;
  if (sits === 'head') return head;
  if (sits === 'bracket') return shifted(frame.bracket, 0, ABOVE_BRACKET_MM);
  const line = sits === 'unknown' || sits === 'pack' ? undefined : placeOf(frame, sits);
  return line === undefined ? pack : boxOn(line, BOX, distance(line.a, line.b) / 2);
}

/** A lamp that is called so hangs on the frame; all others are taken to be on fork or bar. */
const atRear = (name: string): boolean => /rear|back|tail/i.test(name);

/** Where each component of the harness sits, mm, as the side view has it. */
function placesOf(build: BuildDocument, known: KnownBuild, frame: Frame): ReadonlyMap<string, Point> {
  const boxes = boxesOf(build, known, frame);
  const packAt = (i: number): Point => {
    const box = boxes.find((b) => b.pack === i);
    return box === undefined ? frame.bracket : { x: box.x, y: box.y };
  };
  const head = frame.points.headTop ?? { x: frame.front.x - 80, y: frame.front.y + 500 };
  const axle = { front: frame.front, rear: frame.rear, middle: frame.bracket }[motorAt(build)];
  const other = motorAt(build) === 'front' ? frame.rear : frame.front;
  const controller = controllerAt(build, frame, axle, packAt(0), head);
  const crown = frame.points.crown ?? frame.front;
  return new Map<string, Point>([
    ...build.packs.map((_, i): [string, Point] => [i === 0 ? 'pack' : `pack-${String(i + 1)}`, packAt(i)]),
    ...build.packs.map((_, i): [string, Point] => [
      i === 0 ? 'charger' : `charger-${String(i + 1)}`,
      packAt(i),
    ]),
    ['combiner', packAt(0)],
    ['controller', controller],
    ['motor', axle],
    ['motor-2', drivesBoth(build) ? other : axle],
    ['controller-2', controller],
    ['display', head],
    ['throttle', head],
    ['brake-front', head],
    ['brake-rear', head],
    ['key', head],
    ['assist', frame.bracket],
    ['shift', frame.rear],
    ['speed', frame.rear],
    ['programmer', controller],
    ['converter', controller],
    ['light-cells', controller],
    ...build.supply.accessories.map((one, i): [string, Point] => [
      `accessory-${String(i + 1)}`,
      atRear(one.name) ? (frame.points.saddle ?? frame.rear) : crown,
    ]),
  ]);
}

/** Charger and programming lead are plugged in where it stands, and ride nowhere. */
export const staysOff = ({ fromComponent, toComponent }: Cable): boolean =>
  toComponent.startsWith('charger') || fromComponent === 'programmer';

/** Components on the bar: their cables turn with it. */
const ON_BAR = new Set(['display', 'throttle', 'brake-front', 'brake-rear', 'key']);

/** Slack at the head for full lock both ways; at a fold; for the travel of a suspension, mm. Common practice, no source: 100 to 150 at the head. */
const [STEERING_MM, FOLD_MM, TRAVEL_MM] = [120, 80, 60];
/** A loop that water drips off, and a second try at each end, mm. Common practice, no source. */
const [LOOP_MM, ENDS_MM] = [60, 40];
/** More than this left over is shortened; less is folded away. */
const FOLDED_MM = 150;

/** Where a length comes from. */
type LengthFrom = 'measured' | 'drawing' | 'usual';

/** How long a cable has to be, and what there is of it. */
export interface Run {
  readonly along: number;
  readonly alongFrom: LengthFrom;
  /** Steering, fold and travel. */
  readonly slack: number;
  readonly loop: number;
  readonly loopFrom: LengthFrom;
  readonly ends: number;
  readonly endsFrom: LengthFrom;
  readonly cut: number;
  /** Tails of both parts, where they are known. */
  readonly supplied: number | undefined;
  /** Positive is to extend, negative is too much. */
  readonly extend: number | undefined;
  readonly then: 'extend' | 'shorten' | 'fold' | 'fits' | 'unknown';
  /** Points of the drawing that it follows, measured or not. */
  readonly way: readonly Point[];
  /** What turns or folds beside it as drawn. */
  readonly hazards: readonly Hazard[];
}

const isMotor = (component: string): boolean => component === 'motor' || component === 'motor-2';

/** The wheel that a component moves up and down with; undefined for what rides on the frame or the bar. */
function hangsAt(build: BuildDocument, component: string): 'front' | 'rear' | undefined {
  if (component === 'shift' || component === 'speed') return 'rear';
  const at = motorAt(build);
  if (!isMotor(component) || at === 'middle') return undefined;
  const first = component !== 'motor-2' || !drivesBoth(build);
  return first === (at === 'front') ? 'front' : 'rear';
}

/** Slack that the style of the donor asks of a cable. */
function slackOf(build: BuildDocument, cable: Cable): number {
  const bar = ON_BAR.has(cable.fromComponent) !== ON_BAR.has(cable.toComponent);
  const ends = [cable.fromComponent, cable.toComponent];
  const fork = ends.some((one) => hangsAt(build, one) === 'front');
  const lamp = build.supply.accessories.some(
    (one, i) => cable.toComponent === `accessory-${String(i + 1)}` && !atRear(one.name),
  );
  const turns = bar || fork || lamp ? STEERING_MM : 0;
  const folds = bar && build.donor.style === 'folding' ? FOLD_MM : 0;
  const swings = swingsBehind(build) !== 'no' && ends.some((one) => hangsAt(build, one) === 'rear');
  const dives = build.donor.forkKind === 'suspension' && ends.some((one) => hangsAt(build, one) === 'front');
  const travels = swings || dives ? TRAVEL_MM : 0;
  return turns + folds + travels;
}

/** Every cable's run on a frame: along its tubes as drawn, or as measured with a string. */
export function runsOf(
  build: BuildDocument,
  known: KnownBuild,
  cables: readonly Cable[],
): ReadonlyMap<string, Run> {
  const frame = frameOf(build, known);
  const places = placesOf(build, known, frame);
  const ways = waysOn(frame, [...places.values()]);
  const at = (id: string): Point => places.get(id) ?? frame.bracket;
  return new Map(
    cables.map((cable): [string, Run] => {
      const said = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
      const drawn = wayBetween(ways, at(cable.fromComponent), at(cable.toComponent));
      const bar = (ON_BAR.has(cable.fromComponent) ? 1 : 0) + (ON_BAR.has(cable.toComponent) ? 1 : 0);
      const along = said.alongMm ?? drawn.mm + bar * TO_BAR_MM;
      const slack = slackOf(build, cable);
      const loop = said.loopMm ?? LOOP_MM;
      const ends = said.endsMm ?? ENDS_MM;
      const cut = along + slack + loop + ends;
      const tails = [cable.from.tailMm, cable.to.tailMm];
      // A tail that nobody has measured is no tail of nought.
      const [near, other] = tails;
      const supplied =
        near === null || near === undefined || other === null || other === undefined
          ? undefined
          : near + other;
      const extend = supplied === undefined ? undefined : cut - supplied;
      return [
        cable.key,
        {
          along,
          alongFrom: said.alongMm === null ? 'drawing' : 'measured',
          slack,
          loop,
          loopFrom: said.loopMm === null ? 'usual' : 'measured',
          ends,
          endsFrom: said.endsMm === null ? 'usual' : 'measured',
          cut,
          supplied,
          extend,
          then: thenOf(extend),
          way: drawn.way,
          hazards: staysOff(cable) ? [] : hazardsOf(build, drawn.near, bar === 1),
        },
      ];
    }),
  );
}

function thenOf(extend: number | undefined): Run['then'] {
  if (extend === undefined) return 'unknown';
  if (extend > 5) return 'extend';
  if (extend < -FOLDED_MM) return 'shorten';
  return extend < -5 ? 'fold' : 'fits';
}
