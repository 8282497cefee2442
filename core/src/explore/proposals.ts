import type { BuildDocument } from '../document/document.ts';
import { withPack } from '../document/quantity-at.ts';
import { usualOf, type Usual } from '../law/usual.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { buyPart } from '../parts/apply-part.ts';
import type { Part, PartOf } from '../parts/part.ts';
import type { State } from '../check/state.ts';
import { plannedKm } from '../verdict/figures/range-figures.ts';
import { study } from '../verdict/study.ts';
import { asOrdered, newlySet } from './as-ordered.ts';
import { madeForVolts } from './goes-with.ts';
import { LAYOUTS, motorFor, withMotor, type LayoutName } from './motor-for.ts';
import { offerOf, type Offer } from './offer.ts';
import { shortlist } from './shortlist.ts';
import { USUAL_VOLTS, sameVolts } from './usual-volts.ts';

/** Motor, pack and controller of the shelf, put together on a donor. */
export interface Proposal extends Offer {
  readonly id: string;
  readonly layout: LayoutName;
  readonly volts: number;
  readonly motor: string;
  readonly ratedW: number;
  readonly pack: string;
  readonly controller: string;
  /** Motor, pack and controller together, and the money they are priced in; null where one has no price, or another money. */
  readonly price: number | null;
  readonly currency: string;
  /** The far end of the range, and its near end, against the distance that is wanted. */
  readonly rangeState: State;
  readonly hillState: State;
}

/**
 * Amps of a controller for a motor: this many times what its rating takes at the label's volts. Makers run motors of 250 W
 * at 15 to 18 A and 36 V. Common practice, no source.
 */
const OVER_RATING = 2.2;

type Pack = PartOf<'pack'>;
type Controller = PartOf<'controller'>;

const rank: readonly State[] = ['fine', 'look', 'unknown', 'stop'];

/** The controller nearest to what the motor takes, among those made for the volts and carried by the pack. */
function controllerFor(
  pack: Pack,
  ratedW: number,
  controllers: readonly Controller[],
): Controller | undefined {
  const wanted = (OVER_RATING * ratedW) / pack.nominalV;
  const made = controllers.filter((c) => madeForVolts(c, pack.nominalV));
  const most = Math.min(pack.bmsCurrentA, pack.cellsContinuousA ?? Infinity);
  const carried = made.filter((c) => c.batteryCurrentA <= most);
  return [...(carried.length > 0 ? carried : made)].sort(
    (a, b) => Math.abs(a.batteryCurrentA - wanted) - Math.abs(b.batteryCurrentA - wanted),
  )[0];
}

/** Everything of the old pack goes but where it sits and how it is charged. */
const withShelfPack = (build: BuildDocument, pack: Pack): BuildDocument =>
  buyPart(
    withPack({ ...build, packs: [build.packs[0]] }, 0, (p) => ({ ...p, make: 'ready' })),
    pack,
  );

/** A combination to be told of. */
interface Trial {
  readonly layout: LayoutName;
  readonly volts: number;
  readonly motor: PartOf<'motor'>;
  readonly pack: Pack;
  readonly controller: Controller;
  readonly build: BuildDocument;
}

/** The smallest pack of the volts that is sure to reach as far as is wanted, else the largest. */
function trialOf(
  build: BuildDocument,
  layout: LayoutName,
  volts: number,
  usual: Usual | undefined,
  parts: readonly Part[],
): Trial | undefined {
  const motors = parts.filter((p) => p.type === 'motor');
  const motor = motorFor(build, motors, { layout, usual, volts });
  if (motor === undefined) return undefined;
  const controllers = parts
    .filter((p) => p.type === 'controller')
    .filter((p) => p.commutation === motor.commutation);
  const wh = (p: Pack): number => p.nominalV * p.capacityAh;
  const trials = parts
    .filter((p): p is Pack => p.type === 'pack')
    .filter((p) => sameVolts(p.nominalV, volts))
    .sort((a, b) => wh(a) - wh(b))
    .flatMap((pack): Trial[] => {
      const controller = controllerFor(pack, motor.ratedPowerW, controllers);
      if (controller === undefined) return [];
      const driven = withShelfPack(withMotor(build, layout, motor), pack);
      const set = newlySet(buyPart(driven, controller), usual?.cutoffKmh);
      return [{ layout, volts, motor, pack, controller, build: asOrdered(set) }];
    });
  const wanted = build.brief.distanceKm.source === 'unknown' ? 0 : build.brief.distanceKm.value;
  return trials.find((t) => (plannedKm(study(t.build))?.low ?? 0) >= wanted) ?? trials.at(-1);
}

function rangeState({ plannedKm: km }: Offer, wanted: number): State {
  if (km === undefined || km.high < wanted) return 'stop';
  return km.low < wanted ? 'look' : 'fine';
}

/**
 * What the shelf would do for a brief and a donor before anything is chosen: a motor in front, behind or in the middle at 36,
 * 48 and 52 V, each the cheapest that holds all that is asked by the search of the shelf; where none does, the one with the pack
 * that reaches far enough and a controller for both. What the law lets in and the brief asks comes first, then the price. Fit of
 * what is not measured yet is not judged.
 */
export function propose(build: BuildDocument, parts: readonly Part[], book: RuleBook): readonly Proposal[] {
  const place = book.find((p) => p.id === build.brief.place);
  const usual = place && usualOf(place, book);
  const wanted = study(build).known.brief.distanceKm.value;
  const modern = parts.filter((p) => p.type !== 'pack' || p.chemistry !== 'lead-acid');
  const searched = shortlist(build, modern, book);
  const trials = LAYOUTS.filter((l) => l !== 'external').flatMap((layout) =>
    USUAL_VOLTS.flatMap(
      (volts) =>
        searched.find((s) => s.layout === layout && s.volts === volts) ??
        trialOf(build, layout, volts, usual, modern) ??
        [],
    ),
  );
  return trials
    .map(({ layout, volts, motor, pack, controller, build: candidate }): Proposal => {
      const offer = offerOf(study(candidate), book);
      const { currency } = motor;
      const prices = [motor, pack, controller].map((p) => (p.currency === currency ? p.price : null));
      return {
        ...offer,
        id: `${layout}-${String(volts)}`,
        layout,
        volts,
        motor: motor.name,
        ratedW: motor.ratedPowerW,
        pack: pack.name,
        controller: controller.name,
        price: prices.some((p) => p === null) ? null : prices.reduce<number>((sum, p) => sum + (p ?? 0), 0),
        currency,
        rangeState: rangeState(offer, wanted),
        hillState: offer.hillKmh === undefined ? 'stop' : offer.heatState,
      };
    })
    .sort((a, b) => merit(a) - merit(b) || (a.price ?? Infinity) - (b.price ?? Infinity));
}

/** Law first, then hill and range together: the less the better. */
const merit = ({ classState, hillState, rangeState: range }: Proposal): number =>
  100 * rank.indexOf(classState) +
  10 * Math.max(rank.indexOf(hillState), rank.indexOf(range)) +
  rank.indexOf(hillState) +
  rank.indexOf(range);
