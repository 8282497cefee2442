import { labelWatts, mostAmps } from '../machine/limits.ts';
import { standingKg } from '../machine/machine.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import type { ProfileFacts } from '../law/facts.ts';
import type { PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { fullChargeVolts } from '../machine/battery.ts';
import { supplyOn, terminalVolts } from '../machine/diodes.ts';
import type { ClimbOutcome } from '../ride/climb.ts';
import type { RangeOutcome } from '../ride/range-outcome.ts';
import { axleLoadsKg, type StartGrade } from '../ride/start-grade.ts';
import { msToKmh } from '../quantity/units.ts';
import {
  hillCurves,
  hillSpan,
  rangeChart,
  type HillCurves,
  type HillSpan,
  type RangePoint,
} from './curves.ts';
import type { Figure } from './figure.ts';
import { classFigure } from './figures/class-figure.ts';
import { hillOutcome, type HillOutcome } from './hill-outcome.ts';
import { hillFigure, startFigure, topSpeedFigure } from './figures/motion-figures.ts';
import { RANGE_LEFT_OUT, consumptionFigure, plannedKm, rangeFigure } from './figures/range-figures.ts';
import { heatFigure } from './figures/heat-figure.ts';
import { massFigure, priceFigure } from './figures/tally-figures.ts';
import { weakestFigure } from './figures/weakest-figure.ts';
import type { HeatTimes } from '../trips/hill-heat.ts';
import { levelsOf, type Level } from '../trips/levels.ts';
import type { Chain } from '../power-chain/chain.ts';
import { firstTouch } from '../power-chain/lead-checks.ts';
import { highestVolts } from '../power-chain/subject.ts';
import type { Inrush } from '../power-chain/inrush.ts';
import type { Check } from '../check/check.ts';
import type { Finding } from './finding.ts';
import type { Part } from '../parts/part.ts';
import { ledgerOf, type Ledger } from '../workshop/parts-list/ledger.ts';
import { purchaseList, type Row } from '../workshop/parts-list/purchase-list.ts';
import { leftOverRows } from '../workshop/harness/left-over.ts';
import { wiringOf, type Wiring } from '../workshop/harness/wiring.ts';
import { partsList } from '../workshop/parts-list/parts-list.ts';
import { holdPoints } from '../workshop/bench/hold-points.ts';
import type { HoldPoint } from '../workshop/bench/hold-point.ts';
import { settingCounts } from '../workshop/settings/counts.ts';
import { offeredSettings, otherRows, type OtherRow, type UsualSetting } from '../workshop/settings/others.ts';
import { otherFindings, settingFindings } from '../workshop/settings/setting-findings.ts';
import { settingRows, type SettingRow } from '../workshop/settings/settings.ts';
import { jobOf } from './job-of.ts';
import { findings } from './findings.ts';
import { gearTable, motorCadence, type GearRow, type MotorCadence } from './gearing.ts';
import { fitVerdict, type FitVerdict } from './fit-verdict.ts';
import { motorFacts, type MotorFacts } from './motor-facts.ts';
import type { StageVerdict } from './stages/stage.ts';
import { ownChecks } from './stages/own-checks.ts';
import { stages } from './stages/stages.ts';
import { judged, type Judged } from './judged.ts';
import { asSet, asSetFindings } from './as-set.ts';
import { levelClasses } from './level-classes.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import { packPowers, type PackPower } from './pack-power.ts';
import type { SteadyOutcome } from '../ride/steady.ts';
import { lazily } from '../quantity/lazily.ts';
import { study } from './study.ts';
import { withHelpUnsaid } from './help-unsaid.ts';
import { withUndecided } from './undecided.ts';
import { withUnread } from './unread-turns.ts';

/** Everything the product says about a build, worked out from its document alone. */
export interface Verdict {
  readonly name: string;
  readonly figures: readonly Figure[];
  readonly stages: readonly StageVerdict[];
  readonly findings: readonly Finding[];
  readonly known: KnownBuild;
  /** Values assumed or unknown, which a measurement would settle. */
  readonly assumptions: readonly Known[];
  readonly law: {
    /** What the rules may ask, for each way the rider can have the machine; the build as set first. */
    readonly ways: readonly ProfileFacts[];
    readonly here: PlaceVerdict;
    /** If a level of help were the highest that the rider can reach, level by level. */
    readonly levels: readonly PlaceVerdict[];
    /** As the controller is set, where that is another answer than the plan's. */
    readonly asSet: PlaceVerdict | undefined;
  };
  readonly hill: {
    readonly climb: ClimbOutcome;
    /** Whether it is climbed to the top. */
    readonly outcome: HillOutcome;
    readonly start: StartGrade;
    readonly heat: HeatTimes;
    /** Winding at the top, from cold, C; undefined where it is not climbed. */
    readonly hottestC: number | undefined;
    readonly span: HillSpan;
    readonly curves: HillCurves;
  };
  readonly fit: FitVerdict;
  /** What the tyres carry at rest on the level, rider and load included, kg. */
  readonly axlesKg: { readonly rear: number; readonly front: number };
  readonly range: {
    readonly cruise: RangeOutcome;
    readonly rested: RangeOutcome;
    readonly plannedKm: { readonly low: number; readonly high: number } | undefined;
    readonly chart: readonly RangePoint[];
    /** By level of help; none without a sensor at the pedals. */
    readonly levels: readonly Level[];
    readonly leftOut: readonly string[];
  };
  readonly power: {
    readonly nominalV: number;
    readonly fullV: number;
    readonly energyWh: number;
    /** Nominal volts times the controller's battery current, or its limit of watts: input power, not the motor's label. */
    readonly inputW: number;
    /** At half charge: at rest, and with the most current that the controller allows. */
    readonly halfV: number;
    /** Cells, protection and leads together at half charge, ohm. */
    readonly halfOhm: number;
    readonly loadedV: number;
    readonly cutoffV: number;
    /** Each pack by itself, in the order of use. */
    readonly packs: readonly PackPower[];
    readonly chain: Chain;
    /** Into the controller's capacitors at the first touch of a bare plug, from a full pack. */
    readonly firstTouch: Inrush;
    readonly checks: readonly Check[];
  };
  readonly gears: readonly GearRow[];
  /** Cadences at which a mid-drive pulls best; undefined for a motor that does not turn with the cranks. */
  readonly motorCadence: MotorCadence | undefined;
  readonly motor: MotorFacts;
  readonly topKmh: { readonly half: number | undefined; readonly full: number | undefined };
  /** Every cable with its plugs and its length. */
  readonly wiring: Wiring;
  /** What has to hold before it is ridden, with what is expected of it. */
  readonly bench: readonly HoldPoint[];
  /** What controller and display are set to, each held against what was put in and read back. */
  readonly settings: readonly SettingRow[];
  /** What else was noted of this controller's settings, and what might be. */
  readonly otherSettings: { readonly rows: readonly OtherRow[]; readonly offered: readonly UsualSetting[] };
  /** The parts list with what was said of it, and what it comes to. */
  readonly list: { readonly rows: readonly Row[]; readonly ledger: Ledger };
  /** The assembled machine and what was worked out on it, for whoever rides, draws or compares it further. */
  readonly study: Judged;
}

/** Energy by the labels of all packs, Wh: volts times amp-hours. */
const labelEnergyWh = ({ packs }: KnownBuild): number =>
  packs.reduce((sum, { nominalV, capacityAh }) => sum + nominalV.value * capacityAh.value, 0);

/** The headline figures, those of the tray first among them. */
const figuresOf = (s: Judged, ledger: Ledger): readonly Figure[] =>
  withUndecided(
    s,
    withHelpUnsaid(
      s,
      withUnread(s, [
        classFigure(s),
        topSpeedFigure(s),
        hillFigure(s),
        startFigure(s),
        rangeFigure(s),
        consumptionFigure(s),
        heatFigure(s),
        weakestFigure(s),
        massFigure(s),
        priceFigure(s, ledger),
      ]),
    ),
  );

/** Left-over leads of the controller that cannot stay as they are. */
const hanging = (build: BuildDocument): readonly Finding[] =>
  leftOverRows(build)
    .filter(({ state }) => state === 'stop')
    .map(({ key, name, words, remedy }) => ({
      stage: 'wire',
      code: `left-over-${key}`,
      state: 'stop',
      title: `${name}: ${words}`,
      detail: [remedy],
      path: '',
    }));

/** Settings that were put in and are not as the plan has them; without any the sheet is not worked out. */
function drifted(v: Pick<Verdict, 'settings' | 'otherSettings' | 'study' | 'law'>): readonly Finding[] {
  const { lines, others } = v.study.build.settings;
  const told = [
    ...(Object.keys(lines).length === 0 ? [] : settingFindings(v.settings)),
    ...(Object.keys(others).length === 0 ? [] : otherFindings(v.otherSettings.rows)),
  ];
  return [
    ...(Object.keys(lines).length === 0 ? [] : asSetFindings(v.study, v.law.asSet)),
    ...told.map((f): Finding => ({ ...f, stage: 'setup', path: '' })),
  ];
}

const hillOf = (s: Judged): Verdict['hill'] =>
  lazily<Verdict['hill']>({
    climb: () => s.climb,
    outcome: () => hillOutcome(s),
    start: () => s.start,
    heat: () => s.heat,
    hottestC: () => s.hillRide?.hottestC,
    span: () => hillSpan(s),
    curves: () => hillCurves(s),
  });

const rangeOf = (s: Judged): Verdict['range'] =>
  lazily<Verdict['range']>({
    cruise: () => s.range,
    rested: () => s.rangeRested,
    plannedKm: () => plannedKm(s),
    chart: () => rangeChart(s),
    levels: () => levelsOf(s.build, s.machine, s.known.brief.hillGradePct.value),
    leftOut: () => RANGE_LEFT_OUT,
  });

function powerOf(s: Judged): Verdict['power'] {
  const { build, known, machine, chain, powerChecks } = s;
  const half = supplyOn(machine, STATED_CHARGE);
  const { limits } = machine;
  return {
    packs: packPowers(s),
    nominalV: known.packs[0].nominalV.value,
    fullV: fullChargeVolts(machine.pack),
    energyWh: labelEnergyWh(known),
    inputW: labelWatts(limits, known.packs[0].nominalV.value),
    halfV: half.openVolts,
    halfOhm: half.ohm,
    loadedV: terminalVolts(half, mostAmps(limits, half)),
    cutoffV: limits.lowVolts,
    chain,
    firstTouch: firstTouch(known, machine, highestVolts(build, known)),
    checks: powerChecks,
  };
}

const kmhOf = (outcome: SteadyOutcome): number | undefined =>
  outcome.moves ? msToKmh(outcome.v) : undefined;

/**
 * Evaluates a build: class, top speed, hill, start, range, energy, mass and price, each with its working, and the
 * curves and tables behind them, judged by a book of rules. Pure; each part is worked out when it is first read, so
 * that a card pays for what it shows. What tray and work order need takes about two milliseconds.
 * @param shelf parts by which prices are guessed that nobody has entered
 */
export function evaluate(build: BuildDocument, book: RuleBook, shelf: readonly Part[] = []): Verdict {
  const s = judged(study(build), book);
  const own = lazily({ checks: () => ownChecks(s), job: () => jobOf(s, () => v.wiring) });
  const list: Verdict['list'] = lazily<Verdict['list']>({
    rows: () => purchaseList(build, partsList(own.job), shelf),
    ledger: (): Ledger => ledgerOf(build, list.rows),
  });
  const v: Verdict = lazily<Verdict>({
    name: () => build.name,
    figures: () => figuresOf(s, list.ledger),
    findings: () => [...findings(s, own.checks), ...drifted(v), ...hanging(build)],
    stages: () =>
      stages(s, v.figures, v.findings, own.checks, {
        ledger: () => list.ledger,
        wiring: () => v.wiring,
        settings: () => settingCounts(v.settings, v.otherSettings.rows),
      }),
    known: () => s.known,
    assumptions: () => s.used.filter((k) => k.source === 'assumed' || k.source === 'unknown'),
    law: () =>
      lazily<Verdict['law']>({
        ways: () => s.ways,
        here: () => s.here,
        levels: () => levelClasses(build, book, v.range.levels),
        asSet: () => asSet(s, book),
      }),
    fit: () => fitVerdict(s),
    axlesKg: () => axleLoadsKg(standingKg(s.machine), s.machine.balance),
    hill: () => hillOf(s),
    range: () => rangeOf(s),
    power: () => powerOf(s),
    gears: () => gearTable(s),
    motorCadence: () => motorCadence(s),
    motor: () => motorFacts(s),
    topKmh: () => ({ half: kmhOf(s.top), full: kmhOf(s.topFull) }),
    list: () => list,
    wiring: () => wiringOf(build, s.known, s.chain),
    bench: () => holdPoints(own.job, list.rows),
    settings: () => settingRows(own.job),
    otherSettings: () => ({ rows: otherRows(own.job), offered: offeredSettings(own.job) }),
    study: () => s,
  });
  return v;
}
