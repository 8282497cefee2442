/** The public face of the core: server, web, bench and end-to-end tests reach it only through here. */

// Format: quantities with their units, as they are written, read and stored.
export { behindCranks } from './document/brakes-left.ts';
export { asksWhatFollows } from './document/help-follows.ts';
export { CHAIN_PITCH_MM } from './quantity/constants.ts';
export { firstOf } from './quantity/first-of.ts';
export {
  counted,
  formatChange,
  formatNumber,
  formatQuantity,
  unitText,
  usualDigits,
} from './quantity/format.ts';
export { clipped } from './quantity/clipped.ts';
export { jsonText } from './quantity/json-text.ts';
export { parseQuantity } from './quantity/parse-quantity.ts';
export { phraseText, qty, type Phrase } from './quantity/phrase.ts';
export { describeIssue, fail, ok, told, type Issue, type Result } from './quantity/result.ts';
export { otherUnit, shownUnit, type UnitSystem } from './quantity/unit-system.ts';
export { convert, kmhToMs, msToKmh, type Unit } from './quantity/units.ts';
export { nearestAwg } from './quantity/wire-gauge.ts';
export { readBy } from './quantity/zod-issues.ts';

// Document: what is entered of a build.
export { MOST_CELL_PRICE, type UsedCell } from './document/cell.ts';
export type { Accessory } from './document/charging.ts';
export { CHEMISTRIES } from './document/chemistries.ts';
export {
  isHubMotor,
  type Answer,
  type Chemistry,
  type Commutation,
  type DonorStyle,
  type DriveKind,
  type JoinHow,
  type PlaceId,
  type PlannedAnswer,
} from './document/choices.ts';
export { TERRAINS } from './document/terrains.ts';
export { CURRENCIES, MOST_MONEY } from './document/currency.ts';
export type { SwitchedProfile } from './document/controller.ts';
export {
  buildJsonSchema,
  QUANTITY_PATHS,
  SCHEMA_VERSION,
  specAt,
  ofFirstPack,
  packIndexOf,
  packPath,
  sectionOf,
  type BuildDocument,
  type PackIndex,
  type PackPath,
  type QuantityPath,
  type SectionName,
  type SectionPath,
} from './document/document.ts';
export { boxName, motorAt, type PlacedBox } from './document/frame-of.ts';
export { withFurtherPack, withoutPack, withPackEarlier } from './document/further-pack.ts';
export type { KnownBuild, KnownPack, KnownSource } from './document/known-build.ts';
export { inUse, knownBuild } from './document/known.ts';
export { usualPlace } from './document/migrate.ts';
export { PART_TYPES, type PartType } from './document/part-types.ts';
export { KEPT_PARTS } from './document/donor.ts';
export { DRAG_ADDS, POSTURES, TYRES } from './document/road-presets.ts';
export { drivesBoth, motorCount } from './document/motors.ts';
export { asksWhatHoldsHand, isThrottle, throttleEnds } from './document/throttle.ts';
export { MOST_BOXES, MOST_PACKS, type PackDocument } from './document/pack.ts';
export { hasBoard } from './document/pack-board.ts';
export { massesOf, stays } from './document/kept.ts';
export {
  knownAt,
  knownIfAny,
  quantityAt,
  withPack,
  withQuantity,
  withValues,
} from './document/quantity-at.ts';
export {
  ENTERED_SOURCES,
  isCounted,
  type QuantitySpec,
  type Source,
  type Sourced,
} from './document/quantity-spec.ts';
export { readBuild, readBuildText } from './document/read.ts';
export { newBuild } from './document/template.ts';
export { WHEEL_SIZES } from './document/wheel-size.ts';

// Parts: the shelf.
export { applyPart, copiedFrom } from './parts/apply-part.ts';
export { cellsOf, freshId, partFields, partFromCells, type PartField } from './parts/part-fields.ts';
export { part, type Part, type PartOf } from './parts/part.ts';
export { readPart } from './parts/read-part.ts';
export { refreshed, staleValues } from './parts/refresh-part.ts';

// Frame and fit: the bicycle from the side, and whether motor and pack go on it.
export type { Level } from './trips/levels.ts';
export type { Check } from './check/check.ts';
export { shownOf, wantsOf, type Shown } from './check/waiting.ts';
export { worstState, type State } from './check/state.ts';
export { fitChecks } from './fit/fit.ts';
export { CHAINLINE_FINE_MM, STAY_GAP_MM, type SpacerTrade } from './fit/spacers.ts';
export { subject } from './fit/subject.ts';
export { WALK, type Measure, type MeasurePicture, type Station } from './fit/walk.ts';
export { corners, type Box } from './frame/box.ts';
export type { Frame } from './frame/frame.ts';
export type { PackPlace, PointName } from './frame/names.ts';
export { settle } from './frame/places.ts';
export type { Point } from './frame/point.ts';

// Power: packs, leads, charging, cells.
export { cellLayout, type CellLayout } from './power-chain/cell-layout.ts';
export type { Chain } from './power-chain/chain.ts';
export { chargerWords } from './power-chain/charger-words.ts';
export { chargePlan, packCard, type ChargePlan, type PackCard } from './power-chain/charge-plan.ts';
export { likesFull, type ChargeOutcome } from './power-chain/charging.ts';
export { readings } from './power-chain/expectations.ts';
export { preCharge } from './power-chain/inrush.ts';
export { leadLoss, phaseLeadWatts } from './power-chain/leads.ts';
export { lightsVerdict } from './power-chain/lights.ts';
export { isPhaseLink, isShare, sameLink, type Link, type LinkId, type LinkKey } from './power-chain/link.ts';
export {
  matchAll,
  matchCells,
  readCells,
  type MatchOutcome,
  type MatchProgress,
  type RefusalReason,
} from './power-chain/match-cells.ts';
export { BARS } from './power-chain/resting-card.ts';
export { packsStudy, type PacksStudy } from './power-chain/packs-study.ts';

// Law: rules, facts, classes.
export { ratioAt, type RatioCorner } from './law/assist-curve.ts';
export { ANSWER_FACTS, DUTY_KINDS, LIMIT_UNITS, NUMBER_FACTS, REGIONS } from './law/fact-names.ts';
export type { AnswerFact, NumberFact } from './law/fact.ts';
export { wayOf } from './ride/corners.ts';
export { lawFacts, type CurveFact } from './law/facts.ts';
export type { ClauseState, ClauseVerdict } from './law/judge-clause.ts';
export {
  decidingCategory,
  judgeBook,
  type CategoryVerdict,
  type PlaceOutcome,
  type PlaceVerdict,
} from './law/judge.ts';
export { budgetState } from './workshop/parts-list/budget.ts';
export { classLabel } from './verdict/class-label.ts';
export { curveRules, lawCurves, limitLines, type LawCurves, type LimitLine } from './law/law-curves.ts';
export { readRules, readRulesText } from './law/read-rules.ts';
export type { Category, Certainty, Clause, Duty, PlaceRules, RuleBook } from './law/rule-schema.ts';
export { shippedRules } from './law/rules.ts';
export { mayBeChild, takes } from './document/counts-when.ts';
export { saidOf, tellingDigits } from './law/sentence.ts';
export { correctedIn, isStale, lookedAt, rulesOfClause, withCorrection } from './law/correct.ts';
export { traps } from './law/traps/traps.ts';

// Ride: the machine on a road.
export { supplyAt, type Supply } from './machine/battery.ts';
export { gearInWords, gearName } from './machine/driveline.ts';
export type { Limit } from './machine/limits.ts';
export { assemble } from './machine/assemble.ts';
export type { Machine } from './machine/machine.ts';
export { roadForce } from './machine/road-load.ts';
export type { Continuous } from './ride/continuous.ts';
export type { Pace } from './ride/course.ts';
export type { GradePoint } from './ride/grade-curve.ts';
export { limitMap, type MapCell } from './ride/limit-map.ts';
export {
  BINDING_WORDS,
  LIMIT_WORDS,
  limitNames,
  limitQuantity,
  RIDE_END_WORDS,
  type LimitNames,
} from './ride/limit-words.ts';
export { operatingPoint } from './ride/operating-point.ts';
export type { Ride } from './ride/ride.ts';
export { STATED_CHARGE } from './ride/stated.ts';
export { topSpeed } from './ride/steady.ts';
export { TURNING_KG } from './ride/stepper.ts';
export { thirtyMinutePower } from './ride/thirty-minute.ts';
export type { Binding, Trace } from './ride/trace.ts';
export { energyPicture, type EnergyRow } from './trips/energy-picture.ts';
export { getHome, type GetHome } from './trips/get-home.ts';
export {
  continuousCurve,
  MOST_GIVEN_BACK,
  gearsOnHill,
  givenBack,
  repeatedClimbs,
  type GearOnHill,
  type HeatTimes,
  type RepeatedClimb,
} from './trips/hill-heat.ts';
export { rangeBand, type Band, type BandOutcome, type BandProgress } from './trips/range-band.ts';
export type { Cause } from './trips/drawing.ts';
export { rangeCases, type RangeCase } from './trips/range-cases.ts';
export {
  rideHeat,
  rideHill,
  rideRounds,
  type HeatAsked,
  type HeatRidden,
  type HillRidden,
  type RoundsRidden,
} from './trips/ridden.ts';
export { ridePlan, traceSpacing, type Effort } from './trips/ride-plan.ts';

// Measuring helpers: values worked out of readings.
export { helpedBy } from './measure/helped.ts';
export type { MeasureHelper, MeasureId, MeasureOutcome, Reading, Readings } from './measure/helper.ts';
export { toldIn } from './measure/helper.ts';
export { MEASURE_HELPERS, measureOf, readingsFor, withMeasured } from './measure/helpers.ts';

// Route: the road, and the files it comes in.
export { textOf } from './formats/decode.ts';
export { fileName } from './formats/file-name.ts';
export { readGpx, type GpxWay } from './formats/gpx-read.ts';
export { writeGpx } from './formats/gpx-write.ts';
export { guessProfileColumns, routeFromTable, type ProfileColumns } from './formats/table-profile.ts';
export { asRound, drawnRoute, profileOf, type Stretch } from './route/drawn.ts';
export {
  climbRidden,
  elevationAlong,
  elevationAt,
  gradeOf,
  pieces,
  riddenLengthM,
  routeLengthM,
  steepestRidden,
  totalClimb,
} from './route/profile.ts';
export { readRoute } from './route/read-route.ts';
export { cleanedProfile, rawTrack, routeFromPositions, type Cleaning, type Track } from './route/recorded.ts';
export {
  evenHill,
  type ProfilePoint,
  type Recorded,
  type RoadSpan,
  type RoadStop,
  type Route,
} from './route/route.ts';
export { routeSummary, type RouteSummary } from './route/summary.ts';
export { SURFACE_DATA, SURFACES } from './route/surface.ts';

// Verdict: everything that is said of a build, stage by stage.
export { LOW_CHARGE, type HillCurves, type HillSpan, type RangePoint } from './verdict/curves.ts';
export { evaluate, type Verdict } from './verdict/evaluate.ts';
export { standsInFor } from './verdict/undecided.ts';
export { HILL_WORDS, givesOut, type HillOutcome } from './verdict/hill-outcome.ts';
export { TRAY, type Figure, type FigureId, type WorkingRow } from './verdict/figure.ts';
export { classWords, placeState } from './verdict/figures/class-figure.ts';
export { currencySign, moneyText } from './quantity/money.ts';
export { hallSpacingDeg, type GearRow } from './verdict/gearing.ts';
export { STAGE_IDS, type StageId } from './check/stage-ids.ts';
export { stageOf, stageOfFigure } from './verdict/stages/stage-of.ts';
export type { StageVerdict } from './verdict/stages/stage.ts';
export { toldVerdict, type ToldVerdict } from './verdict/told-verdict.ts';

// Workshop: from plan to finished machine.
export {
  LINE_STATES,
  NOTHING_ADDED,
  NOTHING_SAID,
  priceOfLine,
  withLine,
  type AddedLine,
  type BoughtLine,
  type LineState,
  type Purchase,
} from './document/purchase.ts';
export { LINE_GROUPS, type Line, type LineGroup } from './workshop/parts-list/line.ts';
export { dayAfter, dayWords, daysBetween, isDay, weekdayOf } from './workshop/schedule/days.ts';
export { dayOf } from './workshop/schedule/calendar.ts';
export { tasksOf, type Learnt, type Task } from './workshop/schedule/tasks.ts';
export { learntHours } from './workshop/schedule/learnt-hours.ts';
export { whenOf, type PlannedTask, type When } from './workshop/schedule/when.ts';
export type { PlannedParcel } from './workshop/schedule/orders.ts';
export { broughtForward, type Forward } from './workshop/schedule/forward.ts';
export type { Parcel } from './workshop/schedule/parcels.ts';
export { diaryOf } from './workshop/schedule/diary.ts';
export { diaryText } from './formats/diary.ts';
export { EXPERIENCES, NOTHING_TOLD, USUAL_WEEK, type Schedule, type ToldTask } from './document/schedule.ts';
export {
  FEATURES,
  MORE_READY,
  NO_LEAFLET,
  type Feature,
  type ReadyMade,
  type Running,
} from './document/money-plans.ts';
export { FEATURE_NAMES, type WorthRow } from './workshop/worth/ready-made.ts';
export { WEARING, type RunningLine, type Wearing } from './workshop/worth/running-costs.ts';
export type { Span } from './workshop/worth/span.ts';
export { runningOf, worthOf } from './verdict/worth-of.ts';
export { underBudget, type UnderBudget, type WayBack } from './explore/under-budget.ts';
export { PRICE_FIELDS, readPriceList, type PriceListRead } from './parts/price-list.ts';
export { partsFor, type Likely } from './workshop/parts-list/likely.ts';
export { KITS, counts, kitsOn, type Kit, type Row } from './workshop/parts-list/purchase-list.ts';
export { arrivalOf, askedOfUsed, isSecondHand } from './workshop/parts-list/arrival.ts';
export { fitsOf, stopsOf, type LineFit } from './workshop/parts-list/fit-of.ts';
export { sendingOf, sumsSoFar, type Ledger, type SumSoFar } from './workshop/parts-list/ledger.ts';
export {
  purchaseTable,
  readPurchaseTable,
  shoppingList,
  shoppingText,
  withSaid,
  type Said,
  type SupplierList,
} from './workshop/parts-list/shopping.ts';

export {
  COLOUR_NAMES,
  NOTHING_MEASURED,
  LEFT_OVER_ENDS,
  LIMIT_NOW,
  MOST_LEFT_OVER,
  leftOverAs,
  type LeftOver,
  type LeftOverWork,
  PIN_WORKS,
  PLUG_SEXES,
  PLUG_SHAPES,
  WIRE_COLOURS,
  type CableDocument,
  type ControllerSits,
  type Hazard,
  type HarnessDocument,
  type PinWork,
  type PlugSex,
  type PlugShape,
  type PortDocument,
  type WireColour,
} from './document/harness.ts';
export { partsOfPort, pinoutOf, withPinout } from './parts/pinouts.ts';
export type { Cable } from './workshop/harness/components.ts';
export {
  LEFT_OVER_NAMES,
  leftOverRows,
  offeredLeftOver,
  type LeftOverRow,
} from './workshop/harness/left-over.ts';
export { LEFT_OVER_LOOKS } from './workshop/harness/left-over-looks.ts';
export { restAsUsual, usualPort, type Port } from './workshop/harness/ports.ts';
export { facesOfPair, type PlugFace } from './workshop/harness/plug-face.ts';
export { planStops, type Finding } from './verdict/finding.ts';
export type { PlugFinding } from './workshop/harness/plug-rules.ts';
export { layingOf, layingOfAll } from './workshop/harness/laying.ts';
export type { Run } from './workshop/harness/runs.ts';
export { faced } from './workshop/harness/adapter.ts';
export { devicesText, type Device } from './workshop/harness/devices.ts';
export { harnessTable } from './workshop/harness/harness-table.ts';
export { agrees, worksOf } from './workshop/harness/works.ts';
export type { Wire, Wiring } from './workshop/harness/wiring.ts';
export { plugPlaces, wiringGraph } from './workshop/harness/diagram.ts';
export { findPins, type Found } from './workshop/pins/find-pin.ts';
export type { PinReading } from './workshop/pins/pin-reading.ts';
export { PLUG_TYPES, plugTypeOf } from './workshop/pins/plug-types.ts';
export type { PinRole, Volts } from './workshop/pins/spans.ts';
export {
  HALL_ORDERS,
  TRIAL_OUTCOMES,
  hallAdvice,
  type HallOrder,
  type HallTrial,
  type TrialOutcome,
} from './workshop/phases/hall-guide.ts';

// Explore: what if.
export type { Gains } from './explore/compare.ts';
export { complyWith, type ComplyPlan, type ComplyStep } from './explore/comply/comply.ts';
export { customerPage, type CustomerPage, type Told } from './verdict/customer.ts';
export { compareLayouts, layoutsFound, type Layout } from './explore/layouts.ts';
export type { LayoutName } from './explore/motor-for.ts';
export type { Offer } from './explore/offer.ts';
export { isOffered, ratingOf, shelfOffers, type ShelfOffer } from './explore/shelf-offers.ts';
export { propose, type Proposal } from './explore/proposals.ts';
export { hillAsks, type HillAsks } from './explore/hill-asks.ts';
export { energyAsked, type EnergyAsked } from './explore/energy-asked.ts';
export { usualOf, withPlace, type Usual } from './law/usual.ts';
export { GLOSSARY, termOf, type Term } from './words/glossary.ts';
export { linkRemedies, type LinkRemedy } from './explore/link-remedies.ts';
export { measureNext, type OpenMeasure } from './explore/measure-next.ts';
export { comparePlaces, type PlaceTried } from './explore/pack-places.ts';
export { ringRows, type RingRow } from './explore/rings.ts';
export {
  TORNADO_FIGURES,
  sensitivities,
  swingOf,
  tornado,
  type Moved,
  type Sensitivity,
  type Tornado,
  type TornadoFigure,
} from './explore/sensitivity.ts';
export { voltsOrAmps, type Step } from './explore/volts-or-amps.ts';
export { readRecord } from './records/record.ts';
export {
  RECORD_PARENTS,
  isRecordKind,
  type Kept,
  type RecordData,
  type RecordKind,
} from './records/record-kinds.ts';
export {
  BENCH_GROUPS,
  BENCH_GROUP_NAMES,
  type BenchGroup,
  type Evidence,
  type HoldPoint,
  type Instrument,
} from './workshop/bench/hold-point.ts';
export {
  NOTHING_FOUND,
  judgeEvidence,
  type Findings,
  type Judged as JudgedEvidence,
} from './workshop/bench/judge.ts';
export type {
  BenchEntry,
  BenchRun,
  BenchSign,
  DrawnShape,
  SignedDrawing,
  SignedSheet,
  Tone,
} from './workshop/bench/entry.ts';
export {
  passedReading,
  runView,
  type EntryAt,
  type RunView,
  type Step as BenchStep,
  type StepState,
} from './workshop/bench/run-view.ts';
export {
  MOST_OTHERS,
  NOTHING_MEANT,
  NOTHING_SET,
  TRUE_SPEED_FROM,
  type OtherSetting,
  type SettingsDocument,
  type ToldSetting,
} from './document/settings.ts';
export { settingCounts } from './workshop/settings/counts.ts';
export type { OtherRow } from './workshop/settings/others.ts';
export type { SettingRow, Stands } from './workshop/settings/settings.ts';
export type { Setting } from './workshop/settings/sheet/setting.ts';
export { explainRatio, type Explanation, type SpeedFacts } from './workshop/settings/ratio.ts';
export { gaugeTable, type GaugeRow } from './workshop/settings/gauge.ts';
export {
  FAULT_NAMES,
  SIMULATED_FAULTS,
  type BenchInstrument,
  type Programmer,
  type SimulatedFault,
} from './instruments/instrument.ts';
export { simulatedBench } from './instruments/simulated-meter.ts';
export { simulatedProgrammer } from './instruments/simulated-programmer.ts';
export { jobOf } from './verdict/job-of.ts';
export { ridesOf, type RideKept } from './records/rides.ts';
export {
  GROUNDS,
  MOST_ON_THE_WAY,
  NOTHING_READ,
  RIDE_FIGURES,
  RIDE_KINDS,
  RIDE_KIND_NAMES,
  newRide,
  type ToldBy,
  type ChargeRecord,
  type Ground,
  type RideFigure,
  type RideFigureId,
  type RideKind,
  type RideReading,
  type RideRecord,
  type RideTold,
  type UpkeepRecord,
  type WayReading,
} from './road/ride-record.ts';
export { CHANNELS, CHANNEL_IDS, type ChannelId, type Recording } from './road/channels.ts';
export {
  LogReader,
  MOST_ROWS,
  guessLogColumns,
  headOf,
  logColumns,
  type LogColumns,
  type TimeWay,
} from './road/columns.ts';
export { analyzeLog, type LogAnalysis } from './road/analysis.ts';
export { distancesOf, speedsOf, wattsAt } from './road/log-columns.ts';
export { gpxOfRecording, recordingOfGpx } from './road/gpx-log.ts';
export { levelFor, levelsOf, rowsIn, type Numbers } from './road/levels.ts';
export { roadOfLog } from './road/own-road.ts';
export {
  netWh,
  packByVolts,
  trueKm,
  trueTopKmh,
  trulyRidden,
  whPerKm,
  withReadings,
} from './road/measured.ts';
export { BEYOND_KM, gaugeSeen, type GaugeSeen, type WayRow } from './road/on-the-way.ts';
export { keptUpOf, type KeptUp } from './road/kept-up.ts';
export { levelCount } from './trips/levels.ts';
export { riddenByLevel } from './road/by-level.ts';
export { beyondRoad, cutRecording, cutRide, isCut, type RiddenPart } from './road/cut.ts';
export { rideBeside, roadOfRide, type Beside, type BesideProgress, type RideRoad } from './road/beside.ts';
export {
  doubtOf,
  figureState,
  headlineOf,
  leaningOf,
  rideState,
  roadStands,
  type Leaning,
  type RoadStands,
} from './road/stands.ts';
export { batteryBook, type BatteryBook } from './road/battery-book.ts';
export { careOf, type Care } from './road/care.ts';
export { kmADay, upkeepDiary } from './road/upkeep-diary.ts';
export { upkeepOf, type Upkeep, type UpkeepRow } from './road/upkeep.ts';
export { symptomsOf, type SymptomId } from './road/faults/symptom.ts';
export { SYMPTOM_WORDS } from './road/faults/symptom-words.ts';
export { causeOf, lookOf } from './road/faults/knowledge.ts';
export { faultTree, type Answered, type FaultTree, type RankedCause } from './road/faults/fault-tree.ts';
export { symptomOfPoint } from './road/faults/of-bench.ts';
export type { FaultScene } from './road/faults/scene.ts';
export { OPEN_FAULT, OTHER_CAUSE, type FaultRecord } from './road/faults/fault-record.ts';
export { curesOf, faultSays, faultsOf, withoutCopies, type FaultKept } from './records/faults.ts';
export { faultScene } from './verdict/fault-scene.ts';
export {
  LOGGER_FAULTS,
  simulatedLog,
  trueBuild,
  type LoggerFault,
  type SimulatedRide,
  type Truth,
} from './instruments/simulated-logger.ts';
export { simulatedStops } from './instruments/simulated-stops.ts';
export { numbered } from './document/pack-names.ts';
export {
  learn,
  withLearnt,
  type LearnOutcome,
  type LearnProgress,
  type RideOff,
} from './road/learn/learn.ts';
export type { LearntValue, NotApart } from './road/learn/learnt.ts';
export type { LearnRide } from './road/learn/learn-ride.ts';
export { simulatedCoast } from './instruments/simulated-coast.ts';
export { teachNext, type WouldTeach } from './road/learn/teach-next.ts';
export {
  AIMS,
  changeGains,
  gainPerMoney,
  gainsAt,
  standing,
  together,
  type Aim,
  type Changed,
  type GainsProgress,
  type Standing,
  type StepGain,
  type StepGains,
} from './explore/change/gains.ts';
export { STEP_KINDS, type Difficulty, type StepKind } from './explore/change/step.ts';
export { ownId, readOwn, type OwnStep } from './explore/change/own-step.ts';
export { ladder, type Ladder } from './explore/change/ladder.ts';
export type { AllIn } from './explore/change/all-in.ts';
export type { Stood, TrialRecord, TrialSays } from './workshop/trials/trial.ts';
export { changeStands, rejectionOf, trialsOf, type TrialKept } from './records/trials.ts';
export {
  FREE_PARTS,
  GOALS,
  usualAsked,
  type FreePart,
  type Goal,
  type Held,
  type SearchAsked,
} from './explore/search/asked.ts';
export { chosenBuild, gridOf } from './explore/search/grid.ts';
export { REASONS, summed, type Counts, type Reason } from './explore/search/tally.ts';
export type { Candidate } from './explore/search/candidate.ts';
export { searchShelf, type Miss, type SearchOutcome, type SearchProgress } from './explore/search/search.ts';
export { Front } from './explore/search/front.ts';
export {
  WHOLE_REASONS,
  finalistsOf,
  type Finalist,
  type FinalistsFound,
  type WholeReason,
} from './explore/search/finalists.ts';
export { wouldLet, type LetGo, type WouldLet } from './explore/search/would-let.ts';
export {
  leaderOf,
  sideBySide,
  stagesBeside,
  type Contestant,
  type SideCell,
  type SideRow,
} from './explore/side-by-side.ts';
