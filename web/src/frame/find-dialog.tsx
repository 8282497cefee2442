import { Command } from 'cmdk';
import { Dialog as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import {
  GLOSSARY,
  QUANTITY_PATHS,
  STAGE_IDS,
  takes,
  specAt,
  stageOf,
  type BuildDocument,
  type QuantityPath,
} from '@apple-cart/core';
import { PRINTED_PAGES, SCREENS, placeOf } from '../screens/registry.ts';
import { useBuild } from '../state/build-store.ts';
import { useBook } from '../state/rules.ts';
import { unfold } from '../fields/field-group.tsx';
import { useSetPlace } from '../fields/use-place.ts';
import { copyBuild, useBuilds } from '../state/builds.ts';
import { useParts } from '../state/shelf.ts';
import { backTo, openerNow } from '../ui/opener.ts';
import { capital } from '../ui/capital.ts';
import { findScore } from './find-score.ts';
import { CHOICE_WORDS, PRINT_WORDS, VIEW_WORDS, fieldWords } from './find-words.ts';
import { useSettings } from '../state/settings-store.ts';

/** Puts the caret into a field, once its stage has been drawn. */
function focusField(path: QuantityPath, tries = 300): void {
  const field = document.querySelector<HTMLInputElement>(`[data-field="${path}"] input`);
  if (field !== null) {
    unfold(field);
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

/** Closes the box, then does the work. */
type Act = (work: () => void) => () => void;

/** Where to go in the open build, and what to do with it. */
function OfBuild({ id, document, act }: { id: string; document: BuildDocument; act: Act }) {
  const navigate = useNavigate();
  const build = useBuild();
  return (
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
        <Item
          value="make a copy duplicate clone of this build"
          onSelect={act(() => {
            void copyBuild(document).then((copy) => navigate(`/builds/${copy}/brief`));
          })}
        >
          Make a copy of this build
        </Item>
        <Item value="undo take back" onSelect={act(build.undo)}>
          Undo
        </Item>
        <Item value="redo" onSelect={act(build.redo)}>
          Redo
        </Item>
        <Item
          value="pin baseline compare difference with this state"
          onSelect={act(() => void (build.pinned === undefined ? build.pin() : build.unpin()))}
        >
          {build.pinned === undefined ? 'Pin this state' : 'Take the pin out'}
        </Item>
        {PRINTED_PAGES.map(({ path, name }) => (
          <Item
            key={path}
            value={`${name} ${PRINT_WORDS[path] ?? ''}`}
            onSelect={act(() => void navigate(`/builds/${id}/${path}`))}
          >
            {name}
          </Item>
        ))}
        <Item
          value="print this sheet paper pdf"
          onSelect={act(() => {
            setTimeout(() => {
              window.print();
            }, 50);
          })}
        >
          Print this sheet
        </Item>
      </Command.Group>
      <Command.Group heading="Choices" className={GROUP}>
        {CHOICE_WORDS.map(({ name, also, at }) => (
          <Item
            key={name}
            value={`${name} ${also}`}
            onSelect={act(() => void navigate(`/builds/${id}/${at}`))}
          >
            {name} <span className="text-[12px] text-ink2">{SCREENS[at].name}</span>
          </Item>
        ))}
      </Command.Group>
    </>
  );
}

/** Fields and views of the open build, and the places it can be judged in: a field that is named comes first. */
function FieldsAndPlaces({ id, document, act }: { id: string; document: BuildDocument; act: Act }) {
  const navigate = useNavigate();
  const book = useBook();
  const setPlace = useSetPlace();
  return (
    <>
      <Command.Group heading="Fields" className={GROUP}>
        {QUANTITY_PATHS.filter((path) => takes(document, path)).map((path) => (
          <Item
            key={path}
            value={fieldWords(path)}
            onSelect={act(() => {
              void navigate(`/builds/${id}/${placeOf(path)}`);
              // The dialog hands focus back as it closes; the field takes it after that.
              setTimeout(() => {
                focusField(path);
              }, 60);
            })}
          >
            {specAt(path).label} <span className="text-[12px] text-ink2">{SCREENS[stageOf(path)].name}</span>
          </Item>
        ))}
      </Command.Group>
      <Command.Group heading="Views" className={GROUP}>
        {STAGE_IDS.flatMap((stage) =>
          SCREENS[stage].views.map((view) => (
            <Item
              key={`${stage}/${view.id}`}
              value={`${view.name} ${SCREENS[stage].name} ${VIEW_WORDS[`${stage}/${view.id}`] ?? ''}`}
              onSelect={act(() => void navigate(`/builds/${id}/${stage}?view=${view.id}`))}
            >
              {view.name} <span className="text-[12px] text-ink2">{SCREENS[stage].name}</span>
            </Item>
          )),
        )}
      </Command.Group>
      <Command.Group heading="Places" className={GROUP}>
        {book.map((place) => (
          <Item
            key={place.id}
            value={`${place.name} place law judge`}
            onSelect={act(() => {
              setPlace(place.id);
            })}
          >
            Judge it in {place.name}
          </Item>
        ))}
      </Command.Group>
    </>
  );
}

/** What there is besides the open build. */
function Elsewhere({ act }: { act: Act }) {
  const navigate = useNavigate();
  const settings = useSettings();
  const { builds } = useBuilds();
  const parts = useParts();
  return (
    <>
      <Command.Group heading="Words" className={GROUP}>
        {GLOSSARY.map((term) => (
          <Item
            key={term.id}
            value={`${term.name} ${term.also.join(' ')} meaning`}
            onSelect={act(() => void navigate(`/words#${term.id}`))}
          >
            {capital(term.name)} <span className="text-[12px] text-ink2">what it means</span>
          </Item>
        ))}
      </Command.Group>
      <Command.Group heading="Builds" className={GROUP}>
        {(builds ?? []).map((one) => (
          <Item
            key={one.id}
            value={`${one.document.name} ${one.document.job} build ${one.id}`}
            onSelect={act(() => void navigate(`/builds/${one.id}/brief`))}
          >
            {one.document.name} <span className="num text-[12px] text-ink2">{one.document.job}</span>
          </Item>
        ))}
      </Command.Group>
      <Command.Group heading="Parts" className={GROUP}>
        {parts.map((part) => (
          <Item
            key={part.id}
            value={`${part.name} ${part.type} part ${part.id}`}
            onSelect={act(() => void navigate(`/shelf/${part.type}`))}
          >
            {part.name} <span className="text-[12px] text-ink2">{part.type}, on the shelf</span>
          </Item>
        ))}
      </Command.Group>
      <Command.Group heading="Everywhere" className={GROUP}>
        <Item value="words glossary terms help" onSelect={act(() => void navigate('/words'))}>
          Words of the trade
        </Item>
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

function Choices({ close }: { close: () => void }) {
  const { id, document } = useBuild();
  const act: Act = (work) => () => {
    close();
    work();
  };
  return (
    <>
      {id !== undefined && document !== undefined && (
        <>
          <OfBuild id={id} document={document} act={act} />
          <FieldsAndPlaces id={id} document={document} act={act} />
        </>
      )}
      <Elsewhere act={act} />
    </>
  );
}

/** The search-and-do box: stages, fields and actions by name. */
export function FindDialog({ onClose }: { onClose: () => void }) {
  const [opener] = useState(openerNow);
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
          onCloseAutoFocus={backTo(opener)}
          className="fixed top-[10vh] left-1/2 z-50 w-[min(560px,calc(100vw-24px))] -translate-x-1/2 border-2 border-ink bg-sheet text-ink outline-none"
          aria-describedby={undefined}
        >
          <Radix.Title className="sr-only">Find or do</Radix.Title>
          <Command label="Find or do" filter={findScore}>
            <Command.Input
              placeholder="A field, a word, a part, an action"
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
