import { ofFirstPack, type QuantityPath } from '../document/document.ts';

/** A word of the trade: one sentence, other words for it, and the quantities it stands for. */
export interface Term {
  readonly id: string;
  readonly name: string;
  readonly also: readonly string[];
  readonly says: string;
  readonly paths: readonly QuantityPath[];
}

const term = (
  id: string,
  name: string,
  says: string,
  paths: readonly QuantityPath[] = [],
  also: readonly string[] = [],
): Term => ({ id, name, also, says, paths });

/** The words of the trade as this product uses them. Standard terms; sentences are our own. */
export const GLOSSARY: readonly Term[] = [
  term(
    'roll-out',
    'roll-out',
    'How far a wheel goes in one turn with its tyre loaded: chalk the floor and the tyre, roll one turn, measure between the marks.',
    ['donor.rolloutMm', 'controller.setRolloutMm'],
    ['circumference', 'wheel size', 'perimeter'],
  ),
  term(
    'bead',
    'bead seat',
    'The diameter on the rim where the edge of the tyre sits; the second number of a tyre’s ISO 5775 marking, as 622 in 42-622.',
    ['donor.beadMm', 'donor.otherBeadMm', 'donor.ownBeadMm'],
    ['rim size', 'BSD', 'ETRTO'],
  ),
  term(
    'over-locknut',
    'over-locknut width',
    'What a hub measures over its outer nuts, which is what the fork or frame measures between its dropouts.',
    ['donor.frontOldMm', 'donor.rearOldMm', 'drive.overLocknutMm'],
    ['OLD', 'dropout spacing', 'hub spacing'],
  ),
  term(
    'dropout',
    'dropout',
    'The slot or hole at the end of a fork or stay in which the axle is held.',
    ['donor.slotWidthMm', 'donor.slotDepthMm', 'donor.dropoutMm'],
    ['fork end', 'slot'],
  ),
  term(
    'flats',
    'flats',
    'Two flat sides filed on a motor’s axle: they keep it from turning in its slot.',
    ['drive.flatsMm', 'drive.axleMm'],
    ['axle flats'],
  ),
  term(
    'torque-arm',
    'torque arm',
    'A steel lever that grips the axle’s flats and is clamped to the frame, so that the motor cannot spread the dropout.',
    ['drive.armHoldsNm'],
    ['torque washer', 'anti-rotation'],
  ),
  term(
    'shell',
    'bracket shell',
    'The tube across the frame in which the cranks turn; a mid-drive is clamped through it.',
    ['donor.shellWidthMm', 'donor.shellBoreMm', 'drive.shellMinMm', 'drive.shellMaxMm'],
    ['bottom bracket', 'BB'],
  ),
  term(
    'chainline',
    'chainline',
    'How far the chain runs beside the middle of the frame; ring and cogs should agree on it.',
    ['donor.chainlineMm', 'drive.ringLineMm'],
    ['offset'],
  ),
  term(
    'stay',
    'stay',
    'A thin tube from the middle of the frame to the rear axle: the lower pair are the chainstays.',
    ['donor.chainstayMm', 'donor.stayReachMm'],
    ['chainstay', 'seatstay'],
  ),
  term(
    'kv',
    'speed constant, Kv',
    'Turns per minute that a motor makes for each volt while nothing holds it; a high Kv is a fast winding with less pull per amp.',
    ['drive.kvRpmPerV'],
    ['rpm per volt', 'winding', 'velocity constant'],
  ),
  term(
    'resistance',
    'winding resistance',
    'What the copper of the motor puts in the way of the current: amps squared times it is the heat in the winding.',
    ['drive.resistanceOhm'],
    ['ohms', 'copper loss'],
  ),
  term(
    'core-loss',
    'core drag',
    'What the iron of a turning motor holds back even without current: a part that is always there and one that grows with speed.',
    ['drive.hysteresisNm', 'drive.eddyNms'],
    ['iron loss', 'hysteresis', 'eddy'],
  ),
  term(
    'reduction',
    'reduction',
    'How many times faster the motor turns than what it drives.',
    ['drive.reduction'],
    ['gear ratio', 'planetary'],
  ),
  term(
    'rated-power',
    'rated power',
    'What the maker says the motor gives for as long as you like; peaks are higher, and the law mostly asks for the rating.',
    ['drive.ratedPowerW'],
    ['watts', 'nominal power', 'continuous power'],
  ),
  term(
    'battery-current',
    'battery current',
    'Amps from the pack into the controller: times volts it is the power you pay for.',
    ['controller.batteryCurrentA'],
    ['amps', 'controller amps', 'input current'],
  ),
  term(
    'phase-current',
    'phase current',
    'Amps from the controller through the motor’s three leads: it makes the pull, and at low speed it is far more than the battery current.',
    ['controller.phaseCurrentA'],
    ['motor amps', 'motor current'],
  ),
  term(
    'binds',
    'binds',
    'What binds is the one limit that holds the machine back at this speed and grade: amps, volts, speed limit, cells or heat.',
    [],
    ['limit', 'bottleneck'],
  ),
  term(
    'cut-off',
    'cut-off speed',
    'The speed at which the controller ends its help.',
    ['controller.assistCutoffKmh', 'controls.throttleCutoffKmh', 'controls.walkCutoffKmh'],
    ['speed limit', 'assist limit', 'limiter'],
  ),
  term(
    'fade',
    'fade',
    'Over how many km/h before the cut-off the help grows less, instead of ending at once.',
    ['controller.assistTaperKmh'],
    ['taper'],
  ),
  term(
    'low-voltage',
    'low-voltage cut-off',
    'The volts under load below which the controller takes no more, to spare the cells.',
    ['controller.lowVoltageCutoffV'],
    ['LVC', 'undervoltage'],
  ),
  term(
    'protection',
    'protection board',
    'The board in a pack that opens the circuit when cells are overloaded, too empty, too full or too hot; it trips, it does not limit.',
    ['packs.0.bmsCurrentA'],
    ['BMS', 'battery management'],
  ),
  term(
    'amp-hour',
    'amp-hour',
    'How much charge a pack holds: one amp for one hour. Times its volts it is watt-hours, which is what distance costs.',
    ['packs.0.capacityAh'],
    ['Ah', 'capacity', 'amp hours', 'watt-hours', 'Wh'],
  ),
  term(
    'series',
    'cells in series',
    'Cells one after the other: their volts add. Side by side, in parallel, their amp-hours add.',
    ['packs.0.cellsInSeries', 'packs.0.cell.parallel'],
    ['13S', 'S and P', 'parallel'],
  ),
  term(
    'health',
    'capacity left by age',
    'What share of its first amp-hours a pack still holds.',
    ['packs.0.healthPct'],
    ['state of health', 'SoH', 'battery age'],
  ),
  term(
    'sag',
    'sag',
    'How far the volts of a pack fall under load, by its own resistance and that of its leads.',
    ['packs.0.wiringMohm'],
    ['voltage drop', 'internal resistance'],
  ),
  term(
    'charge-limit',
    'charged to',
    'How full the pack is charged before a ride; less than full lets cells last longer.',
    ['packs.0.chargeLimitPct'],
    ['state of charge', 'SoC', 'partial charging'],
  ),
  term(
    'assist-ratio',
    'assist ratio',
    'How many times the rider’s own effort the motor adds, with a sensor that feels the pedals’ torque: of the legs’ power, or of the push on the pedals, which in a tall gear is several times as much.',
    ['controls.assistRatio', 'controls.leastRatio'],
    ['help factor', 'level of help', 'PAS'],
  ),
  term(
    'regeneration',
    'regeneration',
    'Braking with the motor, which puts a little charge back; it needs a motor without a freewheel and a pack with room.',
    ['controller.regenA'],
    ['regen', 'motor brake'],
  ),
  term(
    'weakening',
    'field weakening',
    'Extra current that lets a motor turn faster than its volts would, at the price of heat.',
    ['controller.weakeningA', 'drive.cancelA'],
    ['flux weakening'],
  ),
  term(
    'rollback',
    'rollback',
    'Between two winding temperatures the controller gives less and less, so that the motor is not burnt.',
    ['drive.rollbackStartC', 'drive.rollbackEndC'],
    ['thermal limit', 'derating', 'overheating'],
  ),
  term(
    'drag-area',
    'drag area',
    'How much air the machine and its rider push aside: frontal area times shape; upright about 0.6 m².',
    ['donor.cdaM2'],
    ['CdA', 'aerodynamics', 'air resistance'],
  ),
  term(
    'rolling',
    'rolling coefficient',
    'Which share of the weight the tyres hold back on level ground; near 0.006 for a good tyre on asphalt.',
    ['donor.crr'],
    ['Crr', 'rolling resistance'],
  ),
  term(
    'tyre-pressure',
    'right pressure',
    'What the tyre’s maker asks for this load and width; at half of it a tyre rolls a third harder, and may pinch its tube.',
    ['donor.pressurePct'],
    ['tyre pressure', 'pump', 'soft tyre', 'flat tyre', 'psi', 'bar'],
  ),
  term(
    'soft-ground',
    'soft ground',
    'What tyres sink into adds to their rolling, more to a narrow one: gravel a little, wet snow and sand several times the tyre’s own.',
    ['brief.groundPct'],
    ['surface', 'gravel', 'snow', 'sand', 'mud'],
  ),
  term(
    'grade',
    'grade',
    'Metres gained in height for a hundred metres of way ahead, in per cent.',
    ['brief.hillGradePct'],
    ['slope', 'gradient', 'incline'],
  ),
  term(
    'reserve',
    'reserve',
    'The share of the distance that is kept back when range is told, for wind, cold and detours.',
    ['brief.reservePct'],
    ['margin'],
  ),
  term(
    'inrush',
    'pre-charge',
    'A resistor that fills the controller’s capacitors gently before the plug closes, so that it does not spark.',
    ['cabling.preChargeOhm'],
    ['spark', 'anti-spark', 'inrush'],
  ),
  term(
    'fuse',
    'fuse',
    'The weakest link by design: it melts before a lead does; its direct-current volts must be above the full pack’s.',
    ['cabling.fuseA', 'cabling.fuseV'],
    ['breaker'],
  ),
  term(
    'class',
    'class',
    'What the law of a place takes the machine for, such as EAPC in Great Britain, EPAC in the Union, Class 1 to 3 in many states; it decides licence, plate, insurance and where it may go.',
    [],
    ['EAPC', 'EPAC', 'pedelec', 'moped', 'legal', 'law'],
  ),
  term(
    'source',
    'source marks',
    'Each value says where it comes from: measured, from a label, assumed, or unknown; a worked-out value bears an equals sign.',
    [],
    ['assumed', 'measured', 'label', 'unknown'],
  ),
];

const BY_PATH: ReadonlyMap<QuantityPath, Term> = new Map(
  GLOSSARY.flatMap((t) => t.paths.map((path) => [path, t] as const)),
);

/** The word that explains a quantity, whichever pack it is of; undefined where its label says all. */
export const termOf = (path: QuantityPath): Term | undefined => BY_PATH.get(ofFirstPack(path));
