import type { BuildDocument } from '../../../../document/document.ts';
import { qty } from '../../../../quantity/phrase.ts';
import type { Draft, Rule } from '../../line.ts';

type Supply = BuildDocument['supply'];

const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

/** What it stands: a converter gives it its own volts, else the pack does. */
function askOf({ volts }: { readonly volts: number }, means: Supply['means']): string {
  if (volts === 0) return 'Ask that it stands the volts of a full pack: more than is printed on the pack.';
  return means === 'converter'
    ? ''
    : 'Ask what volts it stands: a pack’s own are more than a lamp for cars or bicycles takes.';
}

/** Lamps, horn and whatever else is fed: each by its name, so that it keeps its line when another is added. */
export const accessories: Rule = {
  id: 'accessories',
  group: 'controls',
  origin: 'the build: what the converter or the pack feeds',
  lines: ({ build: { supply } }) => {
    const taken = new Map<string, number>();
    return supply.accessories.map((one): Draft => {
      const name = slug(one.name) === '' ? 'nameless' : slug(one.name);
      const again = (taken.get(name) ?? 0) + 1;
      taken.set(name, again);
      return {
        key: `accessories/${name}${again === 1 ? '' : `-${String(again)}`}`,
        what: [
          one.name.trim() === '' ? 'Accessory' : one.name.trim(),
          ', ',
          ...(one.volts > 0 ? [qty(one.volts, 'V', 0)] : ['at the pack’s volts']),
          ', ',
          qty(one.watts, 'W', one.watts < 10 ? 1 : 0),
        ],
        why: [
          one.light ? 'lit from the pack, with a reserve after the motor has cut off' : 'fed from the pack',
        ],
        kind: one.light ? 'lamp' : 'accessory',
        ask: askOf(one, supply.means),
      };
    });
  },
};
