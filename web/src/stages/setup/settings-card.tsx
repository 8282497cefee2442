import { phraseText, type BuildDocument } from '@apple-cart/core';
import { PrintPage } from '../../paper/print-page.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { NotAsPlanned, planWords } from './settings-table.tsx';

function Card({ build }: { build: BuildDocument }) {
  const { settings, otherSettings } = useVerdict(build);
  const system = useSettings((state) => state.units);
  return (
    <article data-testid="settings-card">
      <h1 className="head border-b-2 border-ink pb-1 text-[22px] font-extrabold">Settings</h1>
      <p className="py-1 text-[13px]">
        {build.name}
        {build.job === '' ? '' : `, job ${build.job}`};{' '}
        {build.controller.name === '' ? 'controller not named' : build.controller.name}
        {build.settings.readWith === '' ? '' : `; read with ${build.settings.readWith}`}
      </p>
      <table className="w-full border-collapse text-[12.5px]">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-left">
            <th className="py-1 font-semibold">Setting</th>
            <th className="py-1 pr-2 text-right font-semibold">Plan</th>
            <th className="py-1 font-semibold">Because</th>
            <th className="w-20 py-1 font-semibold">Entered</th>
            <th className="w-20 py-1 font-semibold">Read back</th>
          </tr>
        </thead>
        <tbody>
          {settings.map((row) => (
            <tr key={row.setting.key} className="border-b border-hair align-top">
              <th scope="row" className="py-1.5 text-left font-semibold">
                {row.setting.name}
                {row.told.name !== '' && <span className="block font-normal text-ink2">{row.told.name}</span>}
              </th>
              <td className="num py-1.5 pr-2 text-right whitespace-nowrap">{planWords(row)}</td>
              <td className="py-1.5 pr-2">
                {phraseText(row.setting.because, system)}
                <NotAsPlanned setting={row.setting} />
              </td>
              <td className="num border-l border-hair py-1.5 pl-1">{row.told.entered ?? ''}</td>
              <td className="num border-l border-hair py-1.5 pl-1">{row.told.readBack ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {otherSettings.rows.length > 0 && (
        <table className="mt-3 w-full border-collapse text-[12.5px]">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left">
              <th className="py-1 font-semibold">What else it is set to</th>
              <th className="py-1 font-semibold">Meant</th>
              <th className="w-40 py-1 font-semibold">Read back</th>
            </tr>
          </thead>
          <tbody>
            {otherSettings.rows.map(({ key, name, usual, told }) => (
              <tr key={key} className="border-b border-hair align-top">
                <th scope="row" className="py-1.5 pr-2 text-left font-semibold">
                  {name === '' ? 'no name' : name}
                </th>
                <td className="py-1.5 pr-2">
                  {told.meant === '' ? '?' : told.meant}
                  {usual !== undefined && <span className="block text-ink2">{usual.because}</span>}
                </td>
                <td className="border-l border-hair py-1.5 pl-1">{told.readBack}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="pt-2 text-[12px]">
        Read every setting back after writing, and photograph the screen. The maker’s data sheet decides.
      </p>
    </article>
  );
}

/** The settings on a card, with columns to fill in by hand. */
export const SettingsCard = () => (
  <PrintPage title="Settings" back={{ to: 'setup', words: 'Back to the settings' }} width="card">
    {(build) => <Card build={build} />}
  </PrintPage>
);
