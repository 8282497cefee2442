import { ChevronDown, MoreHorizontal, Pin, PinOff, Redo2, Undo2 } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { PlaceId } from '@apple-cart/core';
import { usePlaceOptions } from '../fields/place-options.ts';
import { useSetPlace } from '../fields/use-place.ts';
import { api } from '../state/api.ts';
import { copyBuild, putBuildAway, saveJob } from '../state/builds.ts';
import { problemWords } from '../state/use-attempt.ts';
import { copied } from '../ui/copied.ts';
import { useBuild, useDocument } from '../state/build-store.ts';
import { downloadBuild } from '../files/download.ts';
import { useBook } from '../state/rules.ts';
import { useSettings } from '../state/settings-store.ts';
import { Menu, MenuChoice, MenuHeading, MenuItem, MenuRule } from '../ui/menu.tsx';
import { BAR_BUTTON, Brand, UNIT_NAMES, UnitsChoice } from './bar-parts.tsx';
import { FindButton } from './find-button.tsx';
import { HelpButton } from './help-button.tsx';
import { SaveNote } from './save-note.tsx';
import { ThemeButton } from './theme-button.tsx';
import { VersionsDialog } from './versions-dialog.tsx';

const ICON = 'w-11 justify-center px-0';

function PlaceChoice() {
  const { brief } = useDocument();
  const setPlace = useSetPlace();
  return (
    <MenuChoice<PlaceId> value={brief.place} onChange={setPlace} options={usePlaceOptions(brief.place)} />
  );
}

/** The address of a build's page for the customer, on this machine. */
async function copyLink(id: string): Promise<void> {
  if (!(await copied(`${window.location.origin}/builds/${id}/customer-page`)))
    throw new Error('This browser does not let a page copy.');
}

/** Says beside the build's name what could not be done. */
function attempted(work: Promise<unknown>, otherwise: string): void {
  work.catch((problem: unknown) => {
    useBuild.setState({ notKept: problemWords(problem, otherwise) });
  });
}

function BuildMenu({ onVersions }: { onVersions: () => void }) {
  const document = useDocument();
  const id = useBuild((state) => state.id);
  const navigate = useNavigate();
  return (
    <Menu
      trigger={
        <button type="button" className={`${BAR_BUTTON} min-w-0`} data-testid="build-menu">
          <b className="head truncate text-[15px] font-semibold">{document.name}</b>
          <SaveNote />
          <ChevronDown size={15} strokeWidth={1.6} className="shrink-0" aria-hidden />
        </button>
      }
    >
      <MenuHeading>{document.sample ? 'A sample build, all invented' : 'This build'}</MenuHeading>
      <MenuItem onSelect={onVersions}>Versions…</MenuItem>
      <MenuItem
        onSelect={() => {
          attempted(
            copyBuild(document).then((copy) => navigate(`/builds/${copy}/brief`)),
            'The copy could not be made.',
          );
        }}
      >
        Make a copy
      </MenuItem>
      <MenuItem onSelect={() => void navigate('/shelf')}>Parts shelf</MenuItem>
      <MenuItem
        onSelect={() => {
          downloadBuild(document);
        }}
      >
        Save as a file (JSON)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          if (id === undefined) return;
          attempted(
            useBuild
              .getState()
              .flush()
              .then(() => saveJob(id, document.name)),
            'The job could not be saved.',
          );
        }}
      >
        Save the whole job (zip)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          window.print();
        }}
      >
        Print this sheet
      </MenuItem>
      <MenuItem onSelect={() => void navigate(`/builds/${id ?? ''}/customer-page`)}>
        Page for the customer
      </MenuItem>
      <MenuItem
        onSelect={() => {
          attempted(copyLink(id ?? ''), 'The link could not be copied.');
        }}
      >
        Copy its link, for this machine
      </MenuItem>
      <MenuRule />
      <MenuItem
        onSelect={() => {
          if (id === undefined) return;
          attempted(
            useBuild
              .getState()
              .flush()
              .then(() => putBuildAway(id))
              .then(() => navigate('/', { state: { putAway: { id, name: document.name } } })),
            'It could not be put away.',
          );
        }}
      >
        Put this build away
      </MenuItem>
    </Menu>
  );
}

const Labelled = ({ label, value }: { label: string; value: string }) => (
  <>
    <span className="text-ink3">{label}</span> {value}
    <ChevronDown size={15} strokeWidth={1.6} aria-hidden />
  </>
);

function MoreMenu({ children }: { children: ReactNode }) {
  return (
    <Menu
      align="end"
      trigger={
        <button
          type="button"
          aria-label="More: place, units, pin, theme"
          className={`${BAR_BUTTON} ${ICON} bench:hidden`}
        >
          <MoreHorizontal size={18} strokeWidth={1.6} aria-hidden />
        </button>
      }
    >
      {children}
    </Menu>
  );
}

/** Build, place, units, undo and redo, pin, find, theme, help. */
export function TopBar() {
  const [versions, setVersions] = useState(false);
  const document = useDocument();
  const { units, theme, toggleTheme } = useSettings();
  const history = useBuild((state) => state.history);
  const pinned = useBuild((state) => state.pinned);
  const id = useBuild((state) => state.id);
  const waits = useBuild((state) => state.errandsWait > 0);
  const { undo, redo, pin, unpin, keep, edit } = useBuild.getState();
  const place = useBook().find((p) => p.id === document.brief.place);
  const last = history.past.at(-1)?.label;
  const next = history.future.at(-1)?.label;
  const pinWords = pinned === undefined ? 'Pin' : `Pinned ${pinned.name}${waits ? ', not sent yet' : ''}`;
  const togglePin = (): void => void (pinned === undefined ? pin() : unpin());
  return (
    <header className="no-print col-span-full flex min-w-0 items-stretch border-b-2 border-ink bg-card">
      <div className="flex shrink-0 bench:w-[216px] bench:[&>a]:w-full">
        <Brand />
      </div>
      <BuildMenu
        onVersions={() => {
          setVersions(true);
        }}
      />
      <div className="flex items-stretch max-bench:hidden">
        <Menu
          trigger={
            <button type="button" className={BAR_BUTTON}>
              <Labelled label="Place" value={place?.name ?? document.brief.place} />
            </button>
          }
        >
          <MenuHeading>Where it is ridden decides the class</MenuHeading>
          <PlaceChoice />
        </Menu>
        <Menu
          trigger={
            <button type="button" className={BAR_BUTTON}>
              <Labelled label="Units" value={UNIT_NAMES[units]} />
            </button>
          }
        >
          <UnitsChoice />
        </Menu>
      </div>
      <button
        type="button"
        aria-label="Undo"
        title={last === undefined ? 'Nothing to undo' : `Undo: ${last} (Ctrl+Z)`}
        disabled={last === undefined}
        onClick={undo}
        className={`${BAR_BUTTON} ${ICON} max-bench:ml-auto max-bench:border-l`}
      >
        <Undo2 size={18} strokeWidth={1.6} aria-hidden />
      </button>
      <button
        type="button"
        aria-label="Redo"
        title={next === undefined ? 'Nothing to redo' : `Redo: ${next} (Ctrl+Y)`}
        disabled={next === undefined}
        onClick={redo}
        className={`${BAR_BUTTON} ${ICON}`}
      >
        <Redo2 size={18} strokeWidth={1.6} aria-hidden />
      </button>
      <button
        type="button"
        onClick={togglePin}
        aria-pressed={pinned !== undefined}
        title={pinned === undefined ? 'Pin this state and see every later difference' : 'Take the pin out'}
        className={`${BAR_BUTTON} max-bench:hidden ${pinned === undefined ? '' : 'bg-sheet'}`}
      >
        {pinned === undefined ? (
          <Pin size={17} strokeWidth={1.6} aria-hidden />
        ) : (
          <PinOff size={17} strokeWidth={1.6} aria-hidden />
        )}
        {pinWords}
      </button>
      <FindButton />
      <span className="flex max-tablet:hidden">
        <ThemeButton />
      </span>
      <HelpButton />
      <MoreMenu>
        <MenuItem onSelect={togglePin}>
          {pinned === undefined ? 'Pin this state' : 'Take the pin out'}
        </MenuItem>
        <MenuItem onSelect={toggleTheme}>{theme === 'dark' ? 'Light theme' : 'Dark theme'}</MenuItem>
        <MenuHeading>Place</MenuHeading>
        <PlaceChoice />
        <MenuHeading>Units</MenuHeading>
        <UnitsChoice />
      </MoreMenu>
      {versions && id !== undefined && (
        <VersionsDialog
          api={api.builds}
          id={id}
          onKeep={keep}
          onTake={(kept) => {
            edit(() => kept, 'return to a version');
          }}
          onClose={() => {
            setVersions(false);
          }}
        />
      )}
    </header>
  );
}
