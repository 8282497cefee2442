import { counted } from '../../quantity/format.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure, type WorkingRow } from '../figure.ts';
import type { Chain } from '../../power-chain/chain.ts';
import { isShare, type Link } from '../../power-chain/link.ts';
import type { Study } from '../study.ts';

/** What a link carries beside what is asked, as amps: the pair with the smaller margin. */
function tightest(link: Link): { readonly limitA: number; readonly demandA: number; readonly when: string } {
  const { continuousA = 0, peakA = 0, demand } = link;
  return continuousA / demand.continuousA <= peakA / demand.peakA
    ? { limitA: continuousA, demandA: demand.continuousA, when: 'on the hill' }
    : { limitA: peakA, demandA: demand.peakA, when: 'at full throttle' };
}

function row(link: Link): WorkingRow {
  const base = stepRow('', link.name, '', 'A');
  if (link.id === 'controller') return { ...base, value: link.continuousA ?? 0, origin: 'sets the current' };
  if (link.margin === undefined)
    return { ...base, value: 'not known', unit: '1', source: 'unknown', origin: '' };
  const { limitA, demandA, when } = tightest(link);
  return {
    ...base,
    value: limitA,
    origin: `for ${demandA.toFixed(1)} A ${when}; ${link.source}`,
  };
}

/** A link that is not known could be the weakest. */
function stateOf({ weakest, unknown }: Chain): State {
  if (weakest === undefined) return 'unknown';
  return weakest.state === 'fine' && unknown.length > 0 ? 'unknown' : weakest.state;
}

function condition({ weakest, unknown, battery }: Chain, state: State): Phrase {
  if (weakest === undefined)
    return [battery.open === undefined ? 'no link is known' : 'the controller’s amps are not known'];
  if (state === 'unknown') return [`${counted(unknown.length, 'link')} not known`];
  const { limitA, demandA } = tightest(weakest);
  return isShare(weakest)
    ? [qty(limitA, 'A', 0), ' for a share of ', qty(demandA, 'A', 0)]
    : [qty(limitA, 'A', 0), ' for ', qty(demandA, 'A', 0), ' asked'];
}

/** The link of the current chain with the least in hand. */
export function weakestFigure({ chain }: Study): Figure {
  const { weakest } = chain;
  const state = stateOf(chain);
  return {
    id: 'weakest',
    label: 'Weakest link',
    state,
    value: undefined,
    upTo: undefined,
    unit: '1',
    words: weakest?.name ?? 'Not known',
    condition: condition(chain, state),
    get working() {
      return {
        formulas: [
          'margin = least of (continuous limit / amps on the hill, peak limit / amps at full throttle) - 1',
          'weakest = link with the least margin',
        ],
        inputs: chain.links.flatMap((l) => l.inputs).map((k) => inputRow('', k)),
        steps: [
          stepRow('', 'From the pack on the test hill', chain.battery.continuousA, 'A'),
          stepRow('', 'From the pack at full throttle', chain.battery.peakA, 'A'),
          stepRow('', 'In a phase on the test hill, effective', chain.phase.continuousA, 'A'),
          stepRow('', 'In a phase at its limit, effective', chain.phase.peakA, 'A'),
          ...chain.links.map(row),
        ],
        sources: [
          'Limits from data sheets; leads by the balance of copper loss, convection and radiation (McAdams, Heat Transmission, 1954).',
          'Plugs and leads are counted on for a quarter more for some minutes; a fuse for a tenth more (from memory).',
        ],
        leftOut: [
          'Heat that bundles, boxes and sun keep in. The motor’s own windings: the hill stage looks at them.',
        ],
      };
    },
  };
}
