import { isShare } from '../power-chain/link.ts';
import { usualOf } from '../document/usual-of.ts';
import { LABEL_V_PER_CELL } from '../document/per-cell.ts';
import { CHEMISTRIES } from '../document/chemistries.ts';
import { isHubMotor } from '../document/choices.ts';
import type { Known } from '../document/known-build.ts';
import type { Check } from '../check/check.ts';
import { qty } from '../quantity/phrase.ts';
import type { StageId } from '../check/stage-ids.ts';
import { stageOf, stageOfCheck } from './stages/stage-of.ts';
import { idOfPack, ofPack } from '../document/pack-names.ts';
import type { Finding } from './finding.ts';
import { hillOutcome } from './hill-outcome.ts';
import type { Study } from './study.ts';

const asksFor = (c: Check): boolean => c.state === 'look' || c.state === 'stop';

const checkFinding = (c: Check, stage: StageId): Finding => ({
  code: `check-${c.id}`,
  state: c.state,
  title: c.title,
  detail: [...c.why, ' ', ...c.remedy],
  path: c.at,
  stage,
});

/** Checks that ask for something, at the stage where it is mended. */
const asking = (checks: readonly Check[]): readonly Finding[] =>
  checks.filter(asksFor).map((c) => checkFinding(c, stageOfCheck(c)));

const isEntered = ({ source }: Known): boolean => source !== 'unknown' && source !== 'worked';

function unusualFinding(
  { path, label, unit, value }: Known,
  [low, high]: readonly [number, number],
): Finding {
  return {
    stage: stageOf(path),
    code: 'unusual',
    state: 'look',
    title: `${label} is unusual`,
    detail: [qty(value, unit), ' is used; usual is ', qty(low, unit), ' to ', qty(high, unit), '.'],
    path,
  };
}

/** Entered values outside their plausible span: kept and used, but said. */
const unusual = ({ build, used }: Study): readonly Finding[] =>
  used.filter(isEntered).flatMap((known) => {
    const usual = usualOf(build, known.path);
    return known.value < usual[0] || known.value > usual[1] ? [unusualFinding(known, usual)] : [];
  });

/** Labels round; more than this share apart means another pack. */
const CELL_MISMATCH = 0.08;

/** Links of the current chain that carry too little, and the checks beside it. */
const chained = ({ chain, powerChecks }: Study): readonly Finding[] => [
  ...chain.links
    .filter((l) => l.state === 'look' || l.state === 'stop')
    .map((l): Finding => ({
      stage: 'power',
      code: `link-${idOfPack(l.id, l.pack)}${l.cable === '' ? '' : `-${l.cable}`}`,
      state: l.state,
      title: `${l.name}: ${isShare(l) ? 'enough for its share, not for all alone' : 'the current is too much'}`,
      detail: [...l.why, ' ', ...l.remedy],
      path: l.inputs[0]?.path ?? '',
    })),
  ...asking(powerChecks),
];

/** Cells in series that do not make the label's volts. */
const mislabelled = ({ known, build }: Study): readonly Finding[] =>
  build.packs.flatMap(({ chemistry }, i) => {
    const pack = known.packs[i];
    if (pack === undefined) return [];
    const byCells = pack.cellsInSeries.value * LABEL_V_PER_CELL[chemistry];
    if (Math.abs(byCells - pack.nominalV.value) <= CELL_MISMATCH * pack.nominalV.value) return [];
    return [
      {
        stage: 'power' as const,
        code: 'cells-do-not-make-the-volts',
        state: 'look' as const,
        title: `Cells in series and nominal volts disagree${ofPack(build, i)}`,
        detail: [
          qty(pack.cellsInSeries.value, 'S'),
          ' of ',
          CHEMISTRIES[chemistry].name,
          ' are about ',
          qty(byCells, 'V', 0),
          ', the label says ',
          qty(pack.nominalV.value, 'V', 0),
          '. The cells are used.',
        ],
        path: pack.cellsInSeries.path,
      },
    ];
  });

function drive({ build, machine }: Study): readonly Finding[] {
  const out: Finding[] = [];
  if (machine.control === 'none') {
    out.push({
      stage: 'drive',
      code: 'no-control',
      state: 'stop',
      title: 'Nothing tells the motor to run',
      detail: ['Fit an assist sensor at the pedals or a throttle.'],
      path: 'controls.assistSensor',
    });
  }
  if (build.gearing.heldCogTeeth !== null && machine.heldGear === null) {
    out.push({
      stage: 'drive',
      code: 'held-cog-missing',
      state: 'look',
      title: 'The cog held on the hill is not on the wheel',
      detail: [`${String(build.gearing.heldCogTeeth)} teeth is not among the cogs, so the best cog is used.`],
      path: 'gearing.heldCogTeeth',
    });
  }
  if (!build.drive.freewheel && build.drive.kind !== 'direct-drive-hub') {
    out.push({
      stage: 'drive',
      code: 'geared-without-freewheel',
      state: 'look',
      title: 'A geared motor without a freewheel drags all the time',
      detail: ['Check the maker’s data: most geared hubs and mid-drives have one.'],
      path: 'drive.freewheel',
    });
  }
  return out;
}

/** A climb that lasts only minutes, or hardly longer than the test hill, is said. */
const LASTS_S = 15 * 60;

/** What lets a climb last: gears for a motor that pulls through them, fluid where there is a gap that has none. */
function letsItLast({ build, machine }: Study, byController: boolean): string {
  const less = byController ? 'less phase current' : 'less current';
  const first =
    machine.kind === 'mid-drive' ? `A lower gear, ${less}` : less.charAt(0).toUpperCase() + less.slice(1);
  if (!byController)
    return `${first}${isHubMotor(build) && !build.drive.fluid ? ', air-gap fluid' : ''} or a pause`;
  return build.controller.place === 'motor'
    ? `${first} or a pause`
    : `${first}, or a place in the wind or on metal`;
}

function hillHeat(study: Study): readonly Finding[] {
  const { climb, heat, hillRide, known } = study;
  if (
    !climb.climbs ||
    heat.tooHotAfter === undefined ||
    heat.tooHotAfter > Math.max(LASTS_S, 2 * climb.seconds)
  )
    return [];
  const minutes = qty(heat.tooHotAfter / 60, 'min', 0);
  const says = {
    damage: 'From cold the winding suffers after ',
    rollback: 'From cold the controller holds back after ',
    controller: 'From cold the controller holds back by its own heat after ',
    never: '',
  } as const;
  return [
    {
      stage: 'hill',
      code: 'climbs-for-minutes',
      state:
        hillOutcome(study).kind === 'heats-out' || (hillRide?.hottestC ?? 0) >= known.drive.damageC.value
          ? 'stop'
          : 'look',
      title: 'It climbs this grade for minutes only',
      detail: [says[heat.what], minutes, `. ${letsItLast(study, heat.what === 'controller')} lets it last.`],
      path: '',
    },
  ];
}

/** Everything on the card that needs a look; `own` are the checks of the stages themselves. */
export const findings = (study: Study, own: readonly Check[]): readonly Finding[] => [
  ...asking(study.checks),
  ...unusual(study),
  ...drive(study),
  ...hillHeat(study),
  ...chained(study),
  ...mislabelled(study),
  ...asking(own),
];
