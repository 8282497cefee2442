import { formatQuantity, phraseText, settingCounts, type Setting, type SettingRow } from '@apple-cart/core';
import { useSettingNames } from '../../state/setting-names.ts';
import { useState } from 'react';
import { api } from '../../state/api.ts';
import { useBuild } from '../../state/build-store.ts';
import { useSimulated } from '../../state/simulated.ts';
import { Button } from '../../ui/button.tsx';
import { useSettings } from '../../state/settings-store.ts';
import { NumberCell } from '../../ui/number-cell.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { Link } from 'react-router';
import { Printer } from 'lucide-react';
import { standsWords } from './stands-words.ts';
import type { SettingsSheet } from './use-settings-sheet.ts';

const TINT = { stop: 'bg-stop-tint', look: 'bg-look-tint', fine: '', unknown: '' } as const;

/** The plan's value with its unit; a question mark where it has none. */
export const planWords = ({ setting }: SettingRow): string =>
  setting.plan === undefined ? '?' : formatQuantity(setting.plan, setting.unit, setting.digits);

/** What is set by taste, and where its choice is kept. */
const TASTE = { 'soft-start': ['softStartS', 20], 'auto-off': ['autoOffMin', 240] } as const;
const isTaste = (key: string): key is keyof typeof TASTE => key in TASTE;

/** A value that a person may choose, since no part asks for one. */
function Chosen({
  setting,
  field,
  sheet,
}: {
  setting: Setting;
  field: keyof typeof TASTE;
  sheet: SettingsSheet;
}) {
  const [key, most] = TASTE[field];
  return (
    <span className="flex w-20 items-center gap-1">
      <NumberCell
        label={`Chosen: ${setting.name}, ${setting.unit}`}
        value={sheet.document.settings.chosen[key]}
        most={most}
        placeholder="–"
        onChange={(value) => {
          sheet.change((now) => ({ chosen: { ...now.chosen, [key]: value } }), setting.name, `chosen ${key}`);
        }}
      />
      <span className="text-[12px] text-ink2">{setting.unit}</span>
    </span>
  );
}

/** What is to be put right in the plan before its value goes into a controller. */
export function NotAsPlanned({ setting: { amiss } }: { setting: Setting }) {
  const system = useSettings((state) => state.units);
  if (amiss === undefined) return null;
  return (
    <span className="flex items-start gap-1.5 text-ink">
      <span className="pt-0.5">
        <StateMark state={amiss.state} size={13} labelled={false} />
      </span>
      <span>
        <b className="font-semibold">{amiss.state === 'stop' ? 'Not to be put in' : 'Look first'}:</b>{' '}
        {phraseText(amiss.why, system)}
      </span>
    </span>
  );
}

function Row({ row, sheet }: { row: SettingRow; sheet: SettingsSheet }) {
  const system = useSettings((state) => state.units);
  const { setting, told, stands } = row;
  const controller = sheet.document.controller.name;
  const names = useSettingNames((state) => state.byController[controller]);
  const remember = useSettingNames((state) => state.name);
  const own = told.name === '' ? (names?.[setting.key] ?? '') : told.name;
  return (
    <tr
      className={`border-b border-hair align-top ${TINT[setting.amiss?.state === 'stop' ? 'stop' : stands.state]}`}
      data-setting={setting.key}
      data-stands={stands.kind}
    >
      <th scope="row" className="py-1.5 pr-2 text-left font-semibold">
        {setting.name}
        <input
          aria-label={`What the controller calls ${setting.name}`}
          className="block h-6 w-full min-w-0 bg-transparent font-text text-[12px] font-normal text-ink2 italic max-bench:h-11"
          placeholder="its own name"
          value={own}
          maxLength={40}
          onChange={(event) => {
            sheet.tell(setting.key, { name: event.target.value }, 'name');
            if (controller !== '') remember(controller, setting.key, event.target.value);
          }}
        />
      </th>
      <td className="num py-1.5 pr-2 text-right whitespace-nowrap">
        {isTaste(setting.key) ? (
          <Chosen setting={setting} field={setting.key} sheet={sheet} />
        ) : (
          planWords(row)
        )}
      </td>
      <td className="py-1.5 pr-2 leading-snug text-ink2">
        {phraseText(setting.because, system)}
        <NotAsPlanned setting={setting} />
        {stands.state === 'stop' || stands.state === 'look' ? (
          <span className="block text-ink">{setting.ifWrong}</span>
        ) : null}
      </td>
      {(['entered', 'readBack'] as const).map((field) => (
        <td key={field} className="w-20 py-1.5 pr-2">
          <NumberCell
            label={`${field === 'entered' ? 'Entered' : 'Read back'}: ${setting.name}`}
            value={told[field]}
            most={100_000}
            onChange={(value) => {
              sheet.tell(setting.key, { [field]: value }, field === 'entered' ? 'entered' : 'read back');
            }}
          />
          {field === 'readBack' && told.readOn !== '' && (
            <span className="block text-right text-[11.5px] text-ink2">
              {told.readOn}
              {told.simulated && ' simulated'}
            </span>
          )}
        </td>
      ))}
      <td className="py-1.5 whitespace-nowrap">
        <span className="flex items-center gap-1.5">
          <StateMark state={stands.state} size={13} /> {standsWords(row)}
        </span>
      </td>
    </tr>
  );
}

/** Writes what the plan has into the simulated controller, and reads it back. */
function Program({ sheet }: { sheet: SettingsSheet }) {
  const build = useBuild((state) => state.id) ?? '';
  const { seed, set } = useSimulated();
  const [trouble, setTrouble] = useState('');
  const planned = sheet.rows.flatMap(({ setting: { key, plan, digits, amiss } }) =>
    plan === undefined || amiss?.state === 'stop' ? [] : [[key, Number(plan.toFixed(digits))] as const],
  );
  return (
    <>
      {trouble !== '' && (
        <span role="alert" className="text-[13px] text-stop">
          {trouble}
        </span>
      )}
      <Button
        kind="quiet"
        disabled={planned.length === 0}
        title="Nothing is plugged in: the programmer is simulated, and now and then a value is not taken"
        onClick={() => {
          const settings = Object.fromEntries(planned);
          set({ seed: seed + 1 });
          api.instruments.program(build, seed, settings).then(
            (answer) => {
              setTrouble('');
              sheet.programmed(settings, answer.settings);
            },
            (problem: unknown) => {
              setTrouble(problem instanceof Error ? problem.message : 'The programmer did not answer.');
            },
          );
        }}
      >
        Write and read back (simulated)
      </Button>
    </>
  );
}

/** Plan, reason, what was put in, what the controller shows, and by how much they differ. */
export function SettingsTable({ sheet }: { sheet: SettingsSheet }) {
  const { rows } = sheet;
  const { asked, same, wrong, notTaken } = settingCounts(rows, sheet.verdict.otherSettings.rows);
  return (
    <section aria-label="Settings">
      <PanelHead
        title={
          wrong + notTaken > 0
            ? `${String(wrong)} not as planned, ${String(notTaken)} not taken`
            : `${String(same)} of ${String(asked)} as planned`
        }
        note="in metric units, as controllers ask for them"
      >
        <Program sheet={sheet} />
        <Link
          to="../settings-card"
          relative="path"
          className="flex h-8 items-center gap-1.5 border-[1.5px] border-rule px-3 text-[13px] text-ink2 hover:bg-press max-bench:h-11"
        >
          <Printer size={14} strokeWidth={1.6} aria-hidden /> Print
        </Link>
      </PanelHead>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Settings sheet">
        <table className="w-full min-w-[580px] border-collapse text-[13.5px]" data-testid="settings-sheet">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <th className="py-1 font-semibold">Setting</th>
              <th className="py-1 pr-2 text-right font-semibold">Plan</th>
              <th className="py-1 font-semibold">Because</th>
              <th className="py-1 pr-2 text-right font-semibold">Entered</th>
              <th className="py-1 pr-2 text-right font-semibold">Read back</th>
              <th className="py-1 font-semibold">Differs</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <Row key={row.setting.key} row={row} sheet={sheet} />
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
