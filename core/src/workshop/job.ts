import type { Check } from '../check/check.ts';
import { isHubMotor } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { Duty } from '../law/rule-schema.ts';
import type { Machine } from '../machine/machine.ts';
import type { Wiring } from './harness/wiring.ts';
import type { Chain } from '../power-chain/chain.ts';

/** What the workshop's lists are worked out from: the build, and what was found of it. */
export interface Job {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly chain: Chain;
  /** The harness; worked out when it is first asked for. */
  readonly wiring: () => Wiring;
  /** A check of fit or of the power chain by its id; undefined where the build does not ask for it. */
  readonly check: (id: string) => Check | undefined;
  /** Checks that the plan stops at, of the bicycle and of the power chain. */
  readonly stops: { readonly fit: readonly Check[]; readonly power: readonly Check[] };
  /** Duties of the class in the build's place. */
  readonly duties: readonly Duty[];
  /** Links of chain that ring, cogs and chainstay ask for; undefined where the chainstay is not known. */
  readonly links: number | undefined;
}

/** A motor whose axle stands in the dropouts. */
export const isHub = ({ build }: Job): boolean => isHubMotor(build);

/** What holds the motor: an axle in the dropouts, the shell of the bracket, or a mount of its own. */
export function heldBy({ build: { drive } }: Job): 'hub' | 'middle' | 'external' {
  if (drive.kind === 'mid-drive') return 'middle';
  return drive.kind === 'external' ? 'external' : 'hub';
}

/** A check that was judged and is not fine. */
export function isAmiss(job: Job, id: string): boolean {
  const state = job.check(id)?.state;
  return state === 'look' || state === 'stop';
}
