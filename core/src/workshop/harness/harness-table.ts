import type { BuildDocument } from '../../document/document.ts';
import { faced } from './adapter.ts';
import { devicesText } from './devices.ts';
import type { Wire, Wiring } from './wiring.ts';

/** The harness as a table, a row for each pin, for other programs. */
interface HarnessTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly (number | string)[])[];
}

const COLUMNS = [
  'cable',
  'carries',
  'from',
  'from_plug',
  'to',
  'to_plug',
  'pin',
  'from_work',
  'from_colour',
  'to_work',
  'to_colour',
  'adapter_to_pin',
  'along_mm',
  'cut_mm',
  'extend_mm',
  'mm2',
  'holds',
  'way',
] as const;

/** The pin of the far half that an adapter joins to one of the near half, from 1. */
const pinAcross = (cable: Wire['cable'], i: number): number | '' => {
  const across = faced(cable)[i];
  return across === undefined ? '' : across + 1;
};

/** Every pin of every cable with both sides, lengths in mm, conductors in mm². */
export const harnessTable = (build: BuildDocument, { wires }: Wiring): HarnessTable => ({
  columns: COLUMNS,
  rows: wires.flatMap(({ cable, run, mm2, devices }) =>
    Array.from({ length: Math.max(cable.from.pins.length, cable.to.pins.length) }, (_, i) => [
      `W${String(cable.number)}`,
      cable.carries,
      cable.fromComponent,
      cable.from.plug,
      cable.toComponent,
      cable.to.plug,
      i + 1,
      cable.from.pins[i]?.work ?? '',
      cable.from.pins[i]?.colour ?? '',
      cable.to.pins[i]?.work ?? '',
      cable.to.pins[i]?.colour ?? '',
      cable.spec.adapter === true ? pinAcross(cable, i) : '',
      Math.round(run.along),
      Math.round(run.cut),
      run.extend === undefined ? '' : Math.round(run.extend),
      mm2 ?? '',
      devicesText(devices),
      build.harness.cables[cable.key]?.way ?? '',
    ]),
  ),
});
