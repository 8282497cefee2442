import type { PortDocument } from '../document/harness.ts';
import type { Part } from './part.ts';

/** Lines of small parts that a component of the harness is, where it has no type of its own on the shelf. */
const SMALL: Readonly<Record<string, string | readonly string[]>> = {
  display: 'display',
  throttle: 'throttle',
  assist: ['assist-sensor', 'torque-sensor'],
  'brake-front': 'brake-sensors',
  'brake-rear': 'brake-sensors',
  shift: 'shift-sensor',
  speed: 'speed-sensor',
  key: 'key',
  converter: 'converter',
  'light-cells': 'light-cells',
  combiner: ['combiner', 'changeover', 'parallel-lead'],
};

/** A port's name without the number of its component: the second motor has the plugs of the first. */
const nameOf = (port: string): string => port.replace(/^motor-2-/, 'motor-').replace(/^(in|out)-\d+$/, '$1');

/** Whether a part of the shelf may be a component of the harness. */
function mayBe(part: Part, component: string): boolean {
  const base = component.replace(/-\d+$/, '');
  if (base === 'motor' || base === 'controller' || base === 'pack' || base === 'charger')
    return part.type === base;
  const lines = [base === 'accessory' ? 'lamp' : (SMALL[component] ?? [])].flat();
  return 'serves' in part && part.serves.some((one) => lines.includes(one));
}

/** Parts of a shelf that a plug half of a component can be kept with, or come from. */
export const partsOfPort = (shelf: readonly Part[], key: string): readonly Part[] => {
  const [component = ''] = key.split('/');
  return shelf.filter((part) => mayBe(part, component));
};

/** The half of a part at a port of the harness, `motor/halls`; undefined where nobody has kept one. */
export const pinoutOf = (part: Part, key: string): PortDocument | undefined =>
  part.ports[nameOf(key.split('/')[1] ?? '')];

/** A part with a plug half kept: the next build that has it is offered the pins. */
export const withPinout = (part: Part, key: string, half: PortDocument): Part => ({
  ...part,
  ports: { ...part.ports, [nameOf(key.split('/')[1] ?? '')]: half },
});

/** The harness of a build in which a component is another part: its plugs are those of that part, as far as they are known. */
export function withPortsOf(
  ports: Readonly<Record<string, PortDocument>>,
  component: string,
  part: Part,
): Record<string, PortDocument> {
  const others = Object.entries(ports).filter(([key]) => !key.startsWith(`${component}/`));
  const own = Object.entries(part.ports).map(([name, half]) => [`${component}/${name}`, half] as const);
  return Object.fromEntries([...others, ...own]);
}
