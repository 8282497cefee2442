import { ENTERED_SOURCES, type KnownSource, type MeasureId, type Source } from '@apple-cart/core';
import { Menu, MenuChoice, MenuHeading, MenuItem, MenuRule } from '../ui/menu.tsx';
import { SOURCE_WORD, SourceMark } from '../ui/source-mark.tsx';

export const SOURCE_NOTES: Readonly<Record<Source, string>> = {
  measured: 'with caliper, tape, scales or meter',
  label: 'from a label or a data sheet',
  assumed: 'a guess, listed until measured',
  unknown: 'a stated default is used',
};

interface Props {
  readonly label: string;
  readonly shown: KnownSource;
  readonly value: Source;
  readonly onChange: (source: Source) => void;
  readonly note: string;
  /** Asked to write or change the note. */
  readonly onNote: () => void;
  /** Measurements that give the value, in the words of the menu. */
  readonly measures: readonly { readonly id: MeasureId; readonly words: string }[];
  readonly onMeasure: (id: MeasureId) => void;
}

/** Where a value comes from, and a menu to say so. */
export function SourceMenu({ label, shown, value, onChange, note, onNote, measures, onMeasure }: Props) {
  return (
    <Menu
      align="end"
      trigger={
        <button
          type="button"
          aria-label={`${label}: source ${SOURCE_WORD[shown]}`}
          className="flex h-full min-h-[28px] items-center gap-1.5 pl-2 text-[12px] whitespace-nowrap text-ink2 hover:bg-press max-bench:min-h-11 print:min-h-5!"
        >
          <SourceMark source={shown} />
          <span className="@max-[345px]:sr-only">{SOURCE_WORD[shown]}</span>
        </button>
      }
    >
      <MenuHeading>Where the value comes from</MenuHeading>
      <MenuChoice
        value={value}
        onChange={onChange}
        options={[...ENTERED_SOURCES, 'unknown' as const].map((source) => ({
          value: source,
          label: (
            <span className="flex items-center gap-2">
              <SourceMark source={source} />
              {SOURCE_WORD[source]}
            </span>
          ),
          note: SOURCE_NOTES[source],
        }))}
      />
      <MenuRule />
      {measures.map(({ id, words }) => (
        <MenuItem
          key={id}
          onSelect={() => {
            onMeasure(id);
          }}
        >
          <span className="w-3" />
          {words}
        </MenuItem>
      ))}
      <MenuItem onSelect={onNote}>
        <span className="w-3" />
        {note === '' ? 'Write a note…' : `Note: ${note}`}
      </MenuItem>
    </Menu>
  );
}
