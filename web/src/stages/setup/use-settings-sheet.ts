import {
  NOTHING_MEANT,
  NOTHING_SET,
  type BuildDocument,
  type OtherSetting,
  type SettingsDocument,
  type ToldSetting,
} from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { today } from '../../state/today.ts';
import { useStage } from '../parts/use-stage.ts';

/** A key that no noted setting has. */
function freeKey({ others }: SettingsDocument): string {
  let n = 1;
  while (others[`own-${String(n)}`] !== undefined) n += 1;
  return `own-${String(n)}`;
}

/** Changes what is said of the settings; a value read back is dated. */
export function useSettingsSheet() {
  const { document, verdict } = useStage();
  const edit = useBuild((state) => state.edit);
  const change = (
    change: (now: SettingsDocument) => Partial<SettingsDocument>,
    label: string,
    key?: string,
  ): void => {
    edit((d: BuildDocument) => ({ ...d, settings: { ...d.settings, ...change(d.settings) } }), label, key);
  };
  const tell = (key: string, next: Partial<ToldSetting>, label: string): void => {
    change(
      (now) => ({
        lines: {
          ...now.lines,
          [key]: {
            ...NOTHING_SET,
            ...now.lines[key],
            ...next,
            ...('readBack' in next || 'entered' in next ? { simulated: false } : {}),
            ...('readBack' in next ? { readOn: next.readBack === null ? '' : today() } : {}),
          },
        },
      }),
      label,
      `setting ${key} ${Object.keys(next).join()}`,
    );
  };
  /** What a programmer wrote and read back, in one step of undo. */
  const programmed = (
    wrote: Readonly<Record<string, number>>,
    shows: Readonly<Record<string, number>>,
  ): void => {
    change(
      (now) => ({
        lines: {
          ...now.lines,
          ...Object.fromEntries(
            Object.entries(wrote).map(([key, entered]) => [
              key,
              {
                ...NOTHING_SET,
                ...now.lines[key],
                entered,
                readBack: shows[key] ?? null,
                readOn: today(),
                simulated: true,
              },
            ]),
          ),
        },
      }),
      'written by the programmer',
    );
  };
  const tellOther = (key: string, next: Partial<OtherSetting>, label: string): void => {
    change(
      (now) => ({
        others: {
          ...now.others,
          [key]: {
            ...NOTHING_MEANT,
            ...now.others[key],
            ...next,
            ...('readBack' in next ? { readOn: next.readBack === '' ? '' : today() } : {}),
          },
        },
      }),
      label,
      `other setting ${key} ${Object.keys(next).join()}`,
    );
  };
  /** @param usual its key, where it is one of the usual ones */
  const noteOther = (usual: string | undefined, name: string): void => {
    change((now) => ({ others: { ...now.others, [usual ?? freeKey(now)]: NOTHING_MEANT } }), `${name} noted`);
  };
  const dropOther = (key: string, name: string): void => {
    change(
      (now) => ({ others: Object.fromEntries(Object.entries(now.others).filter(([k]) => k !== key)) }),
      `${name} taken away`,
    );
  };
  return {
    document,
    verdict,
    rows: verdict.settings,
    change,
    tell,
    programmed,
    tellOther,
    noteOther,
    dropOther,
  };
}
export type SettingsSheet = ReturnType<typeof useSettingsSheet>;
