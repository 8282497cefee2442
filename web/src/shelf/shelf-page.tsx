import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useParams, useNavigate } from 'react-router';
import { NOT_THERE } from '@apple-cart/contracts';
import { PART_TYPES, type Part, type PartType, fileName, clipped } from '@apple-cart/core';
import { BrokenNotes } from '../frame/broken-notes.tsx';
import { ListPage, PutAwayNotice } from '../frame/list-page.tsx';
import { SendingNotes } from '../frame/sending-notes.tsx';
import { api } from '../state/api.ts';
import { downloadText } from '../files/download.ts';
import { bringPartBack, partSender, putPartAway, useShelf, type StoredPart } from '../state/shelf.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { usePutAway } from '../state/use-put-away.ts';
import { Button } from '../ui/button.tsx';
import { SearchBox } from '../ui/search-box.tsx';
import { Notice } from '../ui/notice.tsx';
import { Menu, MenuItem } from '../ui/menu.tsx';
import { CompareDialog } from './compare-dialog.tsx';
import { ImportParts } from './import-parts.tsx';
import { PriceListIn } from './price-list.tsx';
import { PartEditor, type Editing } from './part-editor.tsx';
import { partsCsv, partsJson } from '../files/parts-file.ts';
import { ShelfTable } from './shelf-table.tsx';
import { TYPE_NAMES } from '../stages/parts/part-facts.ts';

const MOST_COMPARED = 4;
const isType = (text: string | undefined): text is PartType => PART_TYPES.some((t) => t === text);

/** Ticks a part for comparing, or takes its tick away; the oldest tick goes when there are too many. */
const ticked = (compared: readonly string[], id: string): readonly string[] =>
  compared.includes(id) ? compared.filter((c) => c !== id) : [...compared, id].slice(-MOST_COMPARED);

/** The types of part as tabs, each with how many stand on the shelf. */
function TypeTabs({
  type,
  count,
  onChoose,
}: {
  readonly type: PartType;
  /** How many of one type, or unknown while the shelf is fetched. */
  readonly count: (type: PartType) => number | undefined;
  readonly onChoose: (type: PartType) => void;
}) {
  return (
    <nav aria-label="Types of part" className="flex flex-wrap gap-1 border-b-2 border-ink">
      {PART_TYPES.map((t) => (
        <button
          key={t}
          type="button"
          aria-current={t === type ? 'page' : undefined}
          onClick={() => {
            onChoose(t);
          }}
          className={`min-h-9 border-2 border-b-0 px-3 text-[14px] max-bench:min-h-11 ${t === type ? 'border-ink bg-sheet font-semibold' : 'border-transparent text-ink2 hover:bg-press'}`}
        >
          {TYPE_NAMES[t].many} <span className="num text-[12.5px] text-ink2">{count(t) ?? ''}</span>
        </button>
      ))}
    </nav>
  );
}

/** The files the shelf gives: this type as a table or as JSON, or the whole shelf. */
function TakeOut({
  type,
  mine,
  all,
}: {
  readonly type: PartType;
  readonly mine: readonly Part[];
  readonly all: readonly Part[];
}) {
  const { many } = TYPE_NAMES[type];
  return (
    <Menu align="end" trigger={<Button kind="quiet">Take out</Button>}>
      <MenuItem
        onSelect={() => {
          downloadText(fileName(many, 'csv'), partsCsv(type, mine), 'text/csv');
        }}
      >
        {many} as a table (CSV)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          downloadText(fileName(many, 'json'), partsJson(mine), 'application/json');
        }}
      >
        {many} (JSON)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          downloadText('shelf.json', partsJson(all), 'application/json');
        }}
      >
        The whole shelf (JSON)
      </MenuItem>
    </Menu>
  );
}

/** What can be done to the list: search, compare, take out, bring in, make a new one. */
function ShelfBar({
  type,
  parts,
  search,
  onSearch,
  chosen,
  onCompare,
  onNew,
}: {
  readonly type: PartType;
  readonly parts: readonly StoredPart[];
  readonly search: string;
  readonly onSearch: (text: string) => void;
  readonly chosen: number;
  readonly onCompare: () => void;
  readonly onNew: () => void;
}) {
  const { one, many } = TYPE_NAMES[type];
  const all = parts.map((s) => s.document);
  return (
    <div className="flex flex-wrap items-center gap-2 pb-2">
      <SearchBox label={`Search ${many.toLowerCase()}`} value={search} onChange={onSearch} />
      <Button kind="quiet" disabled={chosen < 2} onClick={onCompare}>
        {chosen < 2 ? 'Tick two to compare' : `Compare ${String(chosen)}`}
      </Button>
      <TakeOut type={type} mine={all.filter((p) => p.type === type)} all={all} />
      <ImportParts type={type} />
      <PriceListIn />
      <Button kind="go" onClick={onNew}>
        <Plus size={15} strokeWidth={1.8} aria-hidden /> New {one}
      </Button>
    </div>
  );
}

/** The parts shelf: list, search, sort, compare, change, copy, bring in and take out. */
export function ShelfPage() {
  const params = useParams();
  const type: PartType = isType(params['type']) ? params['type'] : 'donor';
  const navigate = useNavigate();
  const { parts, broken, error, load } = useShelf();
  const [search, setSearch] = useState('');
  const [compared, setCompared] = useState<readonly string[]>([]);
  const [comparing, setComparing] = useState(false);
  const [editing, setEditing] = useState<Editing>();
  const [trouble, attempt] = useAttempt();
  const put = usePutAway<StoredPart>(attempt, {
    putAway: ({ id }) => putPartAway(id),
    bringBack: ({ id }) => bringPartBack(id),
  });

  const mine = (parts ?? []).filter((s) => s.document.type === type);
  const chosen = mine.filter((s) => compared.includes(s.document.id));
  const { many } = TYPE_NAMES[type];

  return (
    <ListPage
      title="Parts shelf"
      words="A build copies what it uses, so a change here never changes a build in silence. The shipped parts are invented samples."
    >
      <TypeTabs
        type={type}
        count={(t) => parts?.filter((s) => s.document.type === t).length}
        onChoose={(t) => {
          setCompared([]);
          void navigate(`/shelf/${t}`);
        }}
      />
      <section
        className="border-2 border-t-0 border-ink bg-sheet px-4 pt-3 pb-4 max-tablet:px-2"
        aria-label={many}
      >
        <ShelfBar
          type={type}
          parts={parts ?? []}
          search={search}
          onSearch={setSearch}
          chosen={chosen.length}
          onCompare={() => {
            setComparing(true);
          }}
          onNew={() => {
            setEditing({ type, from: undefined, version: NOT_THERE, id: undefined });
          }}
        />
        {(error ?? trouble) !== undefined && (
          <Notice kind="trouble" action={{ words: 'Try again', act: () => void load() }}>
            {error ?? trouble}
          </Notice>
        )}
        <SendingNotes sender={partSender} word="part" />
        <BrokenNotes
          word="part"
          api={api.parts}
          broken={broken}
          onPutAway={(id) => void attempt(() => putPartAway(id))}
        />
        <PutAwayNotice of={put} words={({ document: part }) => `${part.name} was put away.`} />
        {parts === undefined && error === undefined ? (
          <p role="status" className="py-8 text-center text-ink2">
            Fetching the shelf…
          </p>
        ) : (
          <ShelfTable
            type={type}
            parts={mine}
            search={search}
            compared={compared}
            onCompare={(id) => {
              setCompared(ticked(compared, id));
            }}
            onEdit={({ document: part, version }) => {
              setEditing({ type, from: part, version, id: part.id });
            }}
            onCopy={({ document: part }) => {
              const name = `${clipped(part.name, 74)}, copy`;
              setEditing({ type, from: { ...part, name }, version: NOT_THERE, id: undefined });
            }}
            onRemove={(stored) => {
              void put.putAway(stored);
            }}
          />
        )}
      </section>
      {editing !== undefined && (
        <PartEditor
          key={editing.id ?? 'new'}
          editing={editing}
          onClose={() => {
            setEditing(undefined);
          }}
        />
      )}
      {comparing && (
        <CompareDialog
          parts={chosen.map((s) => s.document)}
          onClose={() => {
            setComparing(false);
          }}
        />
      )}
    </ListPage>
  );
}
