import { NOTHING_SET, type BuildDocument, type SettingsDocument, type ToldSetting } from '@apple-cart/core';
import { useBuild } from '../../state/build-store.ts';
import { today } from '../../state/today.ts';
import { useStage } from '../parts/use-stage.ts';

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
  return { document, verdict, rows: verdict.settings, change, tell, programmed };
}
export type SettingsSheet = ReturnType<typeof useSettingsSheet>;
