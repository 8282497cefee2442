import { Command } from 'cmdk';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { QUANTITY_PATHS, STAGE_IDS, inUse, specAt, type QuantityPath, stageOf } from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS, placeOf } from '../screens/registry.ts';
import { useBuild } from '../state/build-store.ts';
import { useBook } from '../state/rules.ts';
import { withSection } from '../state/paths.ts';
import { useSettings } from '../state/settings-store.ts';

/** Puts the caret into a field, once its stage has been drawn. */
function focusField(path: QuantityPath, tries = 300): void {
  const field = document.querySelector<HTMLInputElement>(`[data-field="${path}"] input`);
  if (field !== null) {
    field.focus();
    field.scrollIntoView({ block: 'center' });
  } else if (tries > 0) {
    requestAnimationFrame(() => {
      focusField(path, tries - 1);
    });
  }
}

const Item = ({
  value,
  onSelect,
  children,
}: {
  value: string;
  onSelect: () => void;
  children: ReactNode;
}) => (
  <Command.Item
    value={value}
    onSelect={onSelect}
    className="flex min-h-9 cursor-pointer items-center justify-between gap-3 px-4 data-[selected=true]:bg-press max-bench:min-h-11"
  >
    {children}
  </Command.Item>
);

const GROUP =
  '[&_[cmdk-group-heading]]:border-b [&_[cmdk-group-heading]]:border-hair [&_[cmdk-group-heading]]:px-4 [&_[cmdk-group-heading]]:py-1.5 [&_[cmdk-group-heading]]:text-[12px] [&_[cmdk-group-heading]]:text-ink2';

function Choices({ close }: { close: () => void }) {
  const navigate = useNavigate();
  const build = useBuild();
  const settings = useSettings();
  const book = useBook();
  const { id, document } = build;
  const act = (work: () => void) => () => {
    close();
    work();
  };
  return (
    <>
      {id !== undefined && document !== undefined && (
        <>
          <Command.Group heading="Stages" className={GROUP}>
            {STAGE_IDS.map((stage) => (
              <Item
                key={stage}
                value={`stage ${SCREENS[stage].name}`}
                onSelect={act(() => void navigate(`/builds/${id}/${stage}`))}
              >
                {SCREENS[stage].name} <span className="text-[12px] text-ink2">{SCREENS[stage].question}</span>
              </Item>
            ))}
          </Command.Group>
          <Command.Group heading="Do" className={GROUP}>
            <Item value="undo" onSelect={act(build.undo)}>
              Undo
            </Item>
            <Item value="redo" onSelect={act(build.redo)}>
              Redo
            </Item>
            <Item
              value="pin baseline"
              onSelect={act(() => void (build.pinned === undefined ? build.pin() : build.unpin()))}
            >
              {build.pinned === undefined ? 'Pin this state' : 'Take the pin out'}
            </Item>
            {PRINTED_PAGES.map(({ path, name, also }) => (
              <Item
                key={path}
                value={`${name} ${also}`}
                onSelect={act(() => void navigate(`/builds/${id}/${path}`))}
              >
                {name}
              </Item>
            ))}
            <Item
              value="print"
              onSelect={act(() => {
                setTimeout(() => {
                  window.print();
                }, 50);
              })}
            >
              Print this sheet
            </Item>
          </Command.Group>
          <Command.Group heading="Fields" className={GROUP}>
            {QUANTITY_PATHS.filter((path) => inUse(document, path)).map((path) => (
              <Item
                key={path}
                value={`${specAt(path).label} ${path}`}
                onSelect={act(() => {
                  void navigate(`/builds/${id}/${placeOf(path)}`);
                  // The dialog hands focus back as it closes; the field takes it after that.
                  setTimeout(() => {
                    focusField(path);
                  }, 60);
                })}
              >
                {specAt(path).label}{' '}
                <span className="text-[12px] text-ink2">{SCREENS[stageOf(path)].name}</span>
              </Item>
            ))}
          </Command.Group>
          <Command.Group heading="Places" className={GROUP}>
            {book.map((place) => (
              <Item
                key={place.id}
                value={`place law ${place.name}`}
                onSelect={act(() => {
                  build.edit((d) => withSection(d, 'brief', { place: place.id }), 'place');
                })}
              >
                Judge it in {place.name}
              </Item>
            ))}
          </Command.Group>
        </>
      )}
      <Command.Group heading="Everywhere" className={GROUP}>
        <Item value="all builds home" onSelect={act(() => void navigate('/'))}>
          All builds
        </Item>
        <Item value="routes gpx roads" onSelect={act(() => void navigate('/routes'))}>
          Routes
        </Item>
        <Item value="rule book law places" onSelect={act(() => void navigate('/rules'))}>
          Rule book
        </Item>
        <Item value="parts shelf" onSelect={act(() => void navigate('/shelf'))}>
          Parts shelf
        </Item>
        <Item
          value="units metric imperial mph"
          onSelect={act(() => {
            settings.setUnits(settings.units === 'metric' ? 'imperial' : 'metric');
          })}
        >
          {settings.units === 'metric' ? 'Show mph, lb, in' : 'Show km/h, kg, mm'}
        </Item>
        <Item value="theme dark light" onSelect={act(settings.toggleTheme)}>
          {settings.theme === 'dark' ? 'Light theme' : 'Dark theme'}
        </Item>
      </Command.Group>
    </>
  );
}

/** The search-and-do box: stages, fields and actions by name. */
export function FindDialog({ onClose }: { onClose: () => void }) {
  return (
    <Radix.Root
      open
      onOpenChange={(next) => {
        if (!next) onClose();
      }}
    >
      <Radix.Portal>
        <Radix.Overlay className="no-print fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          className="fixed top-[10vh] left-1/2 z-50 w-[min(560px,calc(100vw-24px))] -translate-x-1/2 border-2 border-ink bg-sheet text-ink outline-none"
          aria-describedby={undefined}
        >
          <Radix.Title className="sr-only">Find or do</Radix.Title>
          <Command label="Find or do">
            <Command.Input
              placeholder="A field, a stage or an action"
              className="h-12 w-full border-b-2 border-ink bg-field px-4 text-[16px] outline-none placeholder:text-ink3"
            />
            <Command.List className="max-h-[56vh] overflow-y-auto">
              <Command.Empty className="px-4 py-3 text-ink2">Nothing here by that name.</Command.Empty>
              <Choices close={onClose} />
            </Command.List>
          </Command>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
