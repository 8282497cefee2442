import type { Check } from '../../check/check.ts';
import type { State } from '../../check/state.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { Link } from '../../power-chain/link.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import type { SettingRow } from '../../workshop/settings/settings.ts';

/** What is known of the build that shows a fault. */
export interface FaultScene {
  readonly build: BuildDocument;
  /** A check of fit or of the power chain by its id; undefined where the build does not ask for it. */
  readonly check: (id: string) => Check | undefined;
  readonly links: readonly Link[];
  readonly settings: readonly SettingRow[];
  /** Whether the winding comes through the build's hill. */
  readonly heat: { readonly state: State; readonly words: Phrase };
  /** What ends its top speed; undefined where the winding is nobody's but a default's. */
  readonly topLimit: string | undefined;
  /** Of the air, and of all on the road; undefined where nobody has said. */
  readonly airC: number | undefined;
  readonly massKg: number | undefined;
  /** At rest, of the whole pack: what a sound one shows, V; undefined where nobody has said how many cells it has. */
  readonly restV: { readonly low: number; readonly high: number } | undefined;
  /** What the pack falls by at the controller's amps, V; undefined where those are not known. */
  readonly sagV: number | undefined;
}

/** How much likelier this build makes a cause than the table has it, and why: nought where it cannot be. */
export interface Fit {
  readonly times: number;
  readonly why: Phrase;
}

const CANNOT = 0;
/** What the build's own numbers point at, and what they speak against. Common practice, no source. */
const LIKELIER = 3;
const LESS_LIKELY = 1 / 3;

/** Below this grease stiffens, and a pack that was kept outside sags and holds back, C. Common practice, no source. */
export const COLD_C = 5;

export const cannot = (...why: Phrase): Fit => ({ times: CANNOT, why });
export const likelier = (...why: Phrase): Fit => ({ times: LIKELIER, why });
export const lessLikely = (...why: Phrase): Fit => ({ times: LESS_LIKELY, why });

/** A check that is amiss points at a cause, one that is fine speaks against it; nothing known says nothing. */
export function byCheck(scene: FaultScene, id: string): Fit | undefined {
  const check = scene.check(id);
  if (check === undefined || check.state === 'unknown') return undefined;
  return check.state === 'fine' ? lessLikely(`${check.title}: fine by the plan`) : likelier(...check.why);
}

/** The same of links of the current chain: the worst of those that are known counts. */
export function byLink(scene: FaultScene, ids: readonly Link['id'][]): Fit | undefined {
  const known = scene.links.filter((l) => ids.includes(l.id) && l.margin !== undefined);
  const worst = known.reduce<Link | undefined>(
    (a, b) => (a === undefined || (b.margin ?? 0) < (a.margin ?? 0) ? b : a),
    undefined,
  );
  if (worst === undefined) return undefined;
  return worst.state === 'fine'
    ? lessLikely(`${worst.name}: amps in hand`)
    : likelier(`${worst.name}: `, ...worst.why);
}

/** Settings that were put in or read back otherwise than planned point at a cause. */
export function bySettings(scene: FaultScene, keys: readonly string[]): Fit | undefined {
  const rows = scene.settings.filter((r) => keys.includes(r.setting.key));
  const off = rows.find((r) => r.stands.kind === 'wrong' || r.stands.kind === 'not-taken');
  if (off !== undefined) return likelier(`${off.setting.name} is not set as planned`);
  return rows.length > 0 && rows.every((r) => r.stands.kind === 'same')
    ? lessLikely('read back as planned')
    : undefined;
}
