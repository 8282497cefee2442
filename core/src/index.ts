/** The public face of the core: server, web, bench and end-to-end tests reach it only through here. */
export { CHAIN_PITCH_MM } from './quantity/constants.ts';
export { firstOf } from './quantity/first-of.ts';
export * from './quantity/units.ts';
export * from './quantity/unit-system.ts';
export * from './quantity/parse-quantity.ts';
export * from './quantity/format.ts';
export * from './quantity/phrase.ts';
export * from './quantity/result.ts';
export { jsonText } from './quantity/json-text.ts';
export * from './document/choices.ts';
export { ENTERED_SOURCES, type QuantitySpec, type Source, type Sourced } from './document/quantity-spec.ts';
export * from './document/document.ts';
export * from './document/known.ts';
export * from './document/read.ts';
export * from './document/template.ts';
export * from './document/wheel-size.ts';
export { awgAreaMm2, nearestAwg } from './quantity/wire-gauge.ts';
export type { UsedCell } from './document/cell.ts';
export type { Accessory } from './document/charging.ts';
export { CONDUCTORS, conductorOhm } from './document/conductors.ts';
export * from './document/part-types.ts';
export * from './parts/part.ts';
export { readPart } from './parts/read-part.ts';
export * from './parts/apply-part.ts';
export * from './parts/refresh-part.ts';
export * from './parts/part-fields.ts';
export { CHEMISTRIES } from './document/chemistries.ts';
export { fullChargeVolts, supplyAt, type Pack, type Supply } from './machine/battery.ts';
export { LIMITS, type Limit } from './machine/limits.ts';
export { assemble, type Machine } from './machine/machine.ts';
export { gearName, type GearId } from './machine/driveline.ts';
export { roadForce } from './machine/road-load.ts';
export { operatingPoint } from './ride/operating-point.ts';
export { topSpeed } from './ride/steady.ts';
export { gradeCurve, type GradePoint } from './ride/grade-curve.ts';
export { constantSpeedRange, type RangeOutcome, type RangeResult } from './ride/range.ts';
export type { Climb, ClimbOutcome } from './ride/climb.ts';
export { shippedRules } from './law/rules.ts';
export { readRules, readRulesText } from './law/read-rules.ts';
export {
  decidingCategory,
  judgeBook,
  type CategoryVerdict,
  type PlaceOutcome,
  type PlaceVerdict,
} from './law/judge.ts';
export type { ClauseState, ClauseVerdict } from './law/judge-clause.ts';
export {
  ANSWER_FACTS,
  DUTY_KINDS,
  LIMIT_UNITS,
  NUMBER_FACTS,
  REGIONS,
  type AnswerFactName,
  type NumberFactName,
} from './law/fact-names.ts';
export type { Category, Certainty, Clause, Duty, LawTest, PlaceRules, RuleBook } from './law/rule-schema.ts';
export { lawFacts } from './law/facts.ts';
export type { AnswerFact, CurveFact, LawFacts, NumberFact, ProfileFacts } from './law/facts.ts';
export { evaluate, type Verdict } from './verdict/evaluate.ts';
export { toldVerdict, type ToldVerdict } from './verdict/told-verdict.ts';
export { TRAY } from './verdict/figure.ts';
export type { State } from './check/state.ts';
export type { Figure, FigureId, Working, WorkingRow } from './verdict/figure.ts';
export type { Finding } from './verdict/findings.ts';
export { STAGE_IDS, type StageId } from './verdict/stages/stage-ids.ts';
export { stageOf } from './verdict/stages/stage-of.ts';
export type { StageVerdict } from './verdict/stages/stage.ts';
export { BINDING_WORDS, LIMIT_WORDS, RIDE_END_WORDS, limitQuantity } from './ride/limit-words.ts';
export { placeState } from './verdict/figures/class-figure.ts';
export { moneyText } from './verdict/figures/tally-figures.ts';
export { LOW_CHARGE, type HillCurves, type HillSpan, type RangePoint } from './verdict/curves.ts';
export { STATED_CHARGE } from './ride/stated.ts';
export { knownAt, quantityAt, withQuantity } from './document/quantity-at.ts';
export { sensitivities, type Sensitivity } from './explore/sensitivity.ts';
export { hallSpacingDeg, type GearRow, type MotorCadence } from './verdict/gearing.ts';
export { ringRows, type RingRow } from './explore/rings.ts';
export { compare, headlines, type Comparison, type Gains, type Headlines } from './explore/compare.ts';
export { compareLayouts, type Layout, type LayoutName } from './explore/layouts.ts';
export { comparePlaces, type PlaceTried } from './explore/pack-places.ts';
export { measureNext, type OpenMeasure } from './explore/measure-next.ts';
export type { FitVerdict } from './verdict/fit-verdict.ts';
export { fitChecks } from './fit/fit.ts';
export { subject } from './fit/subject.ts';
export { CHECK_GROUPS, checkDigits, type Check, type CheckGroup } from './check/check.ts';
export { WALK, type Measure, type MeasurePicture, type Station } from './fit/walk.ts';
export { CHAINLINE_FINE_MM, STAY_GAP_MM, type SpacerTrade } from './fit/spacers.ts';
export { corners, type Box } from './frame/box.ts';
export type { Frame, Tube } from './frame/frame.ts';
export type { PackPlace, PointName } from './frame/names.ts';
export { settle } from './frame/places.ts';
export type { Point } from './frame/point.ts';
export { motorAt } from './document/frame-of.ts';
export { usualPlace } from './document/migrate.ts';
export { LINK_IDS, type Chain, type Link, type LinkId } from './power-chain/chain.ts';
export type { Demand } from './power-chain/demand.ts';
export { cellLayout, type CellLayout, type Neighbours, type PlacedCell } from './power-chain/cell-layout.ts';
export * from './power-chain/match-cells.ts';
export { leadAmps, leadLoss, phaseLeadWatts, plugAmps } from './power-chain/leads.ts';
export { inrush, preCharge } from './power-chain/inrush.ts';
export { chargeRun, likesFull, type ChargeOutcome, type ChargeStep } from './power-chain/charging.ts';
export { BARS, type CardRow } from './power-chain/resting-card.ts';
export {
  chargePlan,
  packCard,
  type ChargePlan,
  type HabitRow,
  type PackCard,
} from './power-chain/charge-plan.ts';
export { twoPackStudy, type PackAlone, type TwoPacks } from './power-chain/two-pack-study.ts';
export { lightsVerdict, type LightsVerdict } from './power-chain/lights.ts';
export { voltsOrAmps, type Step } from './explore/volts-or-amps.ts';
export { readings, type Reading } from './power-chain/expectations.ts';
export { linkRemedies, type LinkRemedy } from './explore/link-remedies.ts';
export { issuesFromZod } from './quantity/zod-issues.ts';
export {
  route,
  evenHill,
  MOST_POINTS,
  type ProfilePoint,
  type Recorded,
  type RoadSpan,
  type RoadStop,
  type Route,
} from './route/route.ts';
export { SURFACES, SURFACE_DATA, type Surface } from './route/surface.ts';
export {
  climbRidden,
  elevationAlong,
  elevationAt,
  gradeOf,
  pieces,
  riddenLengthM,
  riseOf,
  routeLengthM,
  steepest,
  steepestRidden,
  totalClimb,
  type Piece,
} from './route/profile.ts';
export {
  cleanedProfile,
  rawTrack,
  routeFromPositions,
  type Cleaning,
  type Positions,
  type Track,
} from './route/recorded.ts';
export { asRound, drawnRoute, profileOf, type Stretch } from './route/drawn.ts';
export { readRoute } from './route/read-route.ts';
export { readGpx, type GpxWay } from './formats/gpx-read.ts';
export { writeGpx } from './formats/gpx-write.ts';
export {
  guessProfileColumns,
  routeFromTable,
  type ProfileColumns,
  type TableRow,
} from './formats/table-profile.ts';
export type { Ride, RideEnd } from './ride/ride.ts';
export type { Binding, Trace } from './ride/trace.ts';
export { limitMap, type MapCell } from './ride/limit-map.ts';
export { bearableC, type Continuous } from './ride/continuous.ts';
export { ridePlan, traceSpacing, type Effort, type RidePlan } from './trips/ride-plan.ts';
export {
  rideHeat,
  rideHill,
  rideRounds,
  type HeatAsked,
  type HeatRidden,
  type HillRidden,
  type RoundsRidden,
} from './trips/ridden.ts';
export {
  continuousCurve,
  gearsOnHill,
  heatOnGrade,
  repeatedClimbs,
  type GearOnHill,
  type HeatTimes,
  type RepeatedClimb,
} from './trips/hill-heat.ts';
export { rangeBand, type Band, type BandOutcome, type BandProgress, type Cause } from './trips/range-band.ts';
export { getHome, type GetHome } from './trips/get-home.ts';
export { rangeCases, type RangeCase } from './trips/range-cases.ts';
export { energyPicture, type EnergyPicture, type EnergyRow } from './trips/energy-picture.ts';
export { routeSummary, type RouteSummary } from './route/summary.ts';
export { startGrade } from './ride/start-grade.ts';
export { TURNING_KG } from './ride/stepper.ts';
export type { Pace } from './ride/course.ts';
export { complyWith, makeItComply, type ComplyPlan, type ComplyStep } from './explore/comply/comply.ts';
export { traps } from './law/traps/traps.ts';
export type { Trap } from './law/traps/trap.ts';
export { LABEL_WORDS, labelLines, labelledCategory } from './law/label.ts';
export { wheelPowerCurve, type PowerAtSpeed } from './law/motor-alone.ts';
export { assistCorners, ratioAt, type RatioCorner } from './law/assist-curve.ts';
export { profilesOf, type Profile } from './law/profile.ts';
export { thirtyMinutePower, type ThirtyMinutes } from './ride/thirty-minute.ts';
export type { SwitchedProfile } from './document/controller.ts';
export {
  curveRules,
  lawCurves,
  limitLines,
  type LawCurves,
  type LimitLine,
  type WayCurves,
} from './law/law-curves.ts';
