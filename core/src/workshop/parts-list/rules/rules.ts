import type { Rule } from '../line.ts';
import { lockRingTool } from './tools/lock-ring-tool.ts';
import { brakeCables } from './controls/brake-cables.ts';
import { brakeOuters } from './controls/brake-outers.ts';
import { hoseFittings } from './controls/hose-fittings.ts';
import { spareHanger } from './fitting/spare-hanger.ts';
import { reflectors } from './wheels/reflectors.ts';
import { plate } from './wheels/plate.ts';
import { mirror } from './wheels/mirror.ts';
import { rimTape } from './wheels/rim-tape.ts';
import { railBolts } from './fitting/rail-bolts.ts';
import { spareFuse } from './power/spare-fuse.ts';
import { donor } from './drive/donor.ts';
import { motor } from './drive/motor.ts';
import { controller } from './drive/controller.ts';
import { driveChain } from './drive/drive-chain.ts';
import { sprockets } from './drive/sprockets.ts';
import { motorMount } from './fitting/motor-mount.ts';
import { offsetRing } from './drive/offset-ring.ts';
import { packLine } from './power/pack.ts';
import { charger } from './power/charger.ts';
import { fuse } from './power/fuse.ts';
import { preCharge } from './power/pre-charge.ts';
import { combiner } from './power/combiner.ts';
import { converter } from './power/converter.ts';
import { lightCells } from './power/light-cells.ts';
import { cells } from './power/cells.ts';
import { cellHolders } from './power/cell-holders.ts';
import { nickel } from './power/nickel.ts';
import { insulation } from './power/insulation.ts';
import { board } from './power/board.ts';
import { packWrap } from './power/pack-wrap.ts';
import { blockLinks } from './power/block-links.ts';
import { torqueArms } from './fitting/torque-arms.ts';
import { axleSpacers } from './fitting/axle-spacers.ts';
import { axleWashers } from './fitting/axle-washers.ts';
import { discSpacers } from './fitting/disc-spacers.ts';
import { caliperAdapter } from './fitting/caliper-adapter.ts';
import { shellSleeve } from './fitting/shell-sleeve.ts';
import { gearboxSpacers } from './fitting/gearbox-spacers.ts';
import { antiRotation } from './fitting/anti-rotation.ts';
import { axleAdapters } from './fitting/axle-adapters.ts';
import { longNuts } from './fitting/long-nuts.ts';
import { chain } from './fitting/chain.ts';
import { cogs } from './fitting/cogs.ts';
import { idler } from './fitting/idler.ts';
import { driveCover } from './fitting/drive-cover.ts';
import { cradle } from './fitting/cradle.ts';
import { rivetNuts } from './fitting/rivet-nuts.ts';
import { packClamps } from './fitting/pack-clamps.ts';
import { rackPlate } from './fitting/rack-plate.ts';
import { rainCover } from './fitting/rain-cover.ts';
import { packLock } from './fitting/pack-lock.ts';
import { batteryLead } from './wiring/battery-lead.ts';
import { plugs } from './wiring/plugs.ts';
import { rings } from './wiring/rings.ts';
import { mainSwitch } from './wiring/main-switch.ts';
import { chargeSocket } from './wiring/charge-socket.ts';
import { harnessWire } from './wiring/harness-wire.ts';
import { adapters } from './wiring/adapters.ts';
import { phaseLead } from './wiring/phase-lead.ts';
import { heatShrink } from './wiring/heat-shrink.ts';
import { ties } from './wiring/ties.ts';
import { grommets } from './wiring/grommets.ts';
import { motorPlug } from './wiring/motor-plug.ts';
import { secondController } from './wiring/second-controller.ts';
import { brakeSensors } from './controls/brake-sensors.ts';
import { assistSensor } from './controls/assist-sensor.ts';
import { shiftSensor } from './controls/shift-sensor.ts';
import { throttle } from './controls/throttle.ts';
import { display } from './controls/display.ts';
import { programmingLead } from './wiring/programming-lead.ts';
import { speedSensor } from './controls/speed-sensor.ts';
import { key } from './controls/key.ts';
import { accessories } from './controls/accessories.ts';
import { lamps } from './controls/lamps.ts';
import { spokes } from './wheels/spokes.ts';
import { tyre } from './wheels/tyre.ts';
import { otherWheel } from './wheels/other-wheel.ts';
import { brakePads } from './wheels/brake-pads.ts';
import { bell } from './wheels/bell.ts';
import { labelLine } from './wheels/label.ts';
import { threadLock } from './consumables/thread-lock.ts';
import { grease } from './consumables/grease.ts';
import { cleaner } from './consumables/cleaner.ts';
import { tape } from './consumables/tape.ts';
import { hydraulicBleed } from './consumables/hydraulic-bleed.ts';
import { crankPuller } from './tools/crank-puller.ts';
import { shellTool } from './tools/shell-tool.ts';
import { torqueWrench } from './tools/torque-wrench.ts';
import { spokeKey } from './tools/spoke-key.ts';
import { cogTool } from './tools/cog-tool.ts';
import { crimpTool } from './tools/crimp-tool.ts';
import { meter } from './tools/meter.ts';
import { iron } from './tools/iron.ts';
import { chainTool } from './tools/chain-tool.ts';
import { spotWelder } from './tools/spot-welder.ts';
import { rivetTool } from './tools/rivet-tool.ts';

/** Every rule of the parts list, in the order of its groups. */
export const RULES: readonly Rule[] = [
  donor,
  motor,
  controller,
  driveChain,
  sprockets,
  offsetRing,
  packLine,
  charger,
  fuse,
  spareFuse,
  preCharge,
  combiner,
  converter,
  lightCells,
  cells,
  cellHolders,
  nickel,
  insulation,
  board,
  packWrap,
  blockLinks,
  torqueArms,
  axleSpacers,
  axleWashers,
  discSpacers,
  caliperAdapter,
  shellSleeve,
  gearboxSpacers,
  antiRotation,
  axleAdapters,
  longNuts,
  chain,
  cogs,
  spareHanger,
  motorMount,
  idler,
  driveCover,
  cradle,
  rivetNuts,
  railBolts,
  packClamps,
  rackPlate,
  rainCover,
  packLock,
  batteryLead,
  plugs,
  rings,
  mainSwitch,
  chargeSocket,
  phaseLead,
  harnessWire,
  adapters,
  heatShrink,
  ties,
  grommets,
  motorPlug,
  secondController,
  programmingLead,
  brakeSensors,
  brakeCables,
  brakeOuters,
  hoseFittings,
  assistSensor,
  shiftSensor,
  throttle,
  display,
  speedSensor,
  key,
  accessories,
  lamps,
  spokes,
  tyre,
  rimTape,
  otherWheel,
  brakePads,
  bell,
  mirror,
  plate,
  reflectors,
  labelLine,
  threadLock,
  grease,
  cleaner,
  tape,
  hydraulicBleed,
  crankPuller,
  shellTool,
  lockRingTool,
  torqueWrench,
  spokeKey,
  cogTool,
  crimpTool,
  meter,
  iron,
  chainTool,
  spotWelder,
  rivetTool,
];
