import { MOST_OTHERS, type OtherRow } from '@apple-cart/core';
import { Plus } from 'lucide-react';
import { Link } from 'react-router';
import { PanelHead } from '../../ui/panel.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { TextButton } from '../../ui/text-button.tsx';
import { STANDS_WORDS } from './stands-words.ts';
import type { SettingsSheet } from './use-settings-sheet.ts';

const CELL =
  'h-7 w-full min-w-0 border-b border-ink3 bg-field px-1.5 text-[13.5px] placeholder:text-ink3 max-bench:h-11';

function Row({ row, sheet }: { row: OtherRow; sheet: SettingsSheet }) {
  const { key, name, usual, atLaw, told, stands } = row;
  const called = name.trim() === '' ? 'setting without a name' : name;
  return (
    <tr
      className={`border-b border-hair align-top ${stands.state === 'look' ? 'bg-look-tint' : ''}`}
      data-other={key}
      data-stands={stands.kind}
    >
      <th scope="row" className="py-1.5 pr-2 text-left font-semibold">
        {usual === undefined ? (
          <input
            aria-label="Name of the setting"
            className={CELL}
            placeholder="its name"
            value={told.name}
            maxLength={60}
            onChange={(event) => {
              sheet.tellOther(key, { name: event.target.value }, 'name');
            }}
          />
        ) : (
          name
        )}
      </th>
      <td className="py-1.5 pr-2">
        <input
          aria-label={`Meant: ${called}`}
          className={CELL}
          placeholder={usual === undefined ? '' : `such as: ${usual.example}`}
          value={told.meant}
          maxLength={60}
          onChange={(event) => {
            sheet.tellOther(key, { meant: event.target.value }, 'meant');
          }}
        />
        {usual !== undefined && (
          <span className="block pt-0.5 leading-snug text-ink2">
            {usual.because}
            {stands.state === 'look' && <span className="block text-ink">{usual.ifWrong}</span>}
            {atLaw !== undefined && (
              <Link to="../law" className="block text-slate underline max-bench:py-3">
                {atLaw}
              </Link>
            )}
          </span>
        )}
      </td>
      <td className="py-1.5 pr-2">
        <input
          aria-label={`Read back: ${called}`}
          className={CELL}
          value={told.readBack}
          maxLength={60}
          onChange={(event) => {
            sheet.tellOther(key, { readBack: event.target.value }, 'read back');
          }}
        />
        {told.readOn !== '' && <span className="block text-[11.5px] text-ink2">{told.readOn}</span>}
      </td>
      <td className="py-1.5 whitespace-nowrap">
        <span className="flex items-center gap-1.5">
          <StateMark state={stands.state} size={13} /> {STANDS_WORDS[stands.kind]}
        </span>
        <TextButton
          aria-label={`Take away: ${called}`}
          onClick={() => {
            sheet.dropOther(key, called);
          }}
        >
          take away
        </TextButton>
      </td>
    </tr>
  );
}

/** What this controller is set to beside what the plan works out: noted by name, held against what is meant. */
export function OtherSettings({ sheet }: { sheet: SettingsSheet }) {
  const { rows, offered } = sheet.verdict.otherSettings;
  const full = rows.length >= MOST_OTHERS;
  return (
    <section aria-label="Other settings" className="pt-4">
      <PanelHead
        title="What else this controller is set to"
        note="no plan works it out: what is meant, and what it shows"
      />
      {rows.length > 0 && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Other settings">
          <table
            className="w-full min-w-[580px] table-fixed border-collapse text-[13.5px]"
            data-testid="other-settings"
          >
            <thead>
              <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
                <th className="w-[24%] py-1 font-semibold">Setting</th>
                <th className="py-1 font-semibold">Meant</th>
                <th className="w-[24%] py-1 font-semibold">Read back</th>
                <th className="w-[118px] py-1 font-semibold">Differs</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row key={row.key} row={row} sheet={sheet} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <div className="flex flex-wrap items-center gap-1.5 py-2">
        <span className="pr-1 text-[13px] text-ink2">{full ? 'No more are kept.' : 'Note one:'}</span>
        {!full &&
          [...offered.map(({ key, name }) => ({ key, name })), { key: undefined, name: 'another' }].map(
            ({ key, name }) => (
              <button
                key={key ?? 'own'}
                type="button"
                className="flex h-8 items-center gap-1 border border-rule px-2 text-[13px] hover:bg-press max-bench:h-11"
                onClick={() => {
                  sheet.noteOther(key, key === undefined ? 'a setting' : name);
                }}
              >
                <Plus size={12} strokeWidth={1.8} aria-hidden /> {name}
              </button>
            ),
          )}
      </div>
    </section>
  );
}
