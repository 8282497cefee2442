import type { State } from '../../check/state.ts';
import { NOTHING_SET, type ToldSetting } from '../../document/settings.ts';
import type { Job } from '../job.ts';
import { controls } from './sheet/controls.ts';
import { heat } from './sheet/heat.ts';
import { power } from './sheet/power.ts';
import { profiles } from './sheet/profiles.ts';
import type { Setting } from './sheet/setting.ts';
import { speed } from './sheet/speed.ts';

/** How a setting stands against the plan. */
export type Stands =
  | { readonly kind: 'same' | 'not-entered' | 'not-read' | 'no-plan'; readonly state: State }
  /** By taste, and nobody has chosen: nothing is missing. */
  | { readonly kind: 'left'; readonly state: State }
  /** Put in otherwise than the plan has it. */
  | { readonly kind: 'wrong'; readonly state: State; readonly by: number }
  /** Put in as planned, and shown otherwise: the controller did not take it. */
  | { readonly kind: 'not-taken'; readonly state: State; readonly by: number };

export interface SettingRow {
  readonly setting: Setting;
  readonly told: ToldSetting;
  readonly stands: Stands;
}

/** The settings sheet of a build. */
const settingsOf = (job: Job): readonly Setting[] => [
  ...power(job),
  ...speed(job),
  ...heat(job),
  ...controls(job),
  ...profiles(job),
];

function standsOf({ plan, tolerance, taste, amiss }: Setting, { entered, readBack }: ToldSetting): Stands {
  if (taste && plan === undefined) return { kind: 'left', state: 'unknown' };
  if (entered === null && readBack === null)
    return plan === undefined
      ? { kind: 'no-plan', state: 'unknown' }
      : { kind: 'not-entered', state: 'unknown' };
  if (plan === undefined) return { kind: 'no-plan', state: 'unknown' };
  if (entered !== null && Math.abs(entered - plan) > tolerance)
    return { kind: 'wrong', state: 'stop', by: entered - plan };
  if (readBack === null) return { kind: 'not-read', state: 'unknown' };
  if (Math.abs(readBack - (entered ?? plan)) > tolerance)
    return entered === null
      ? { kind: 'wrong', state: 'stop', by: readBack - plan }
      : { kind: 'not-taken', state: 'look', by: readBack - entered };
  return { kind: 'same', state: amiss?.state ?? 'fine' };
}

/** The sheet with what was put in and read back, each held against the plan. */
export function settingRows(job: Job): readonly SettingRow[] {
  const { lines } = job.build.settings;
  return settingsOf(job).map((one): SettingRow => {
    const told = lines[one.key] ?? NOTHING_SET;
    return { setting: one, told, stands: standsOf(one, told) };
  });
}
