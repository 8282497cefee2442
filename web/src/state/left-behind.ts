import { useEffect, useState } from 'react';
import { NOT_THERE, type Stored } from '@apple-cart/contracts';
import { api } from './api.ts';
import { buildDrafts, useBuild } from './build-store.ts';
import { differences, namesOfDifferences } from './differences.ts';
import type { Drafts, Left } from './drafts.ts';
import { anythingHeld, type Held } from './held.ts';
import { releaseRoute, routeDrafts, useRouteEdits } from './route-edit.ts';
import { fetchRoute } from './routes.ts';
import { rulesSender, rulesTyped } from './rules-sender.ts';
import type { Sender } from './sender.ts';
import { partSender, partsTyped } from './shelf.ts';
import { otherWindows } from './this-window.ts';

interface Named {
  readonly name: string;
}

/** What a closed window, or this one before it went on to another page, could not send; and what can be done with it. */
export interface LeftBehind {
  readonly key: string;
  readonly id: string;
  /** What it is: "build". */
  readonly word: string;
  readonly name: string;
  /** True where it was this window. */
  readonly own: boolean;
  /** When it was typed last; empty where that is not known. */
  readonly at: string;
  /** True for what was typed into a form and not given away. */
  readonly half: boolean;
  /** True for what was never stored. */
  readonly fresh: boolean;
  /** Names of what differs from what is stored now; undefined where that cannot be read. */
  readonly differ: readonly string[] | undefined;
  /** Makes it this window's own: it is sent from here. */
  readonly bringIn: () => Promise<BroughtIn>;
  readonly drop: () => void;
}

/** Where to go on with what was brought in, or why it could not be. */
type BroughtIn = { readonly at: string } | { readonly why: string };

interface Kind<T extends Named> {
  readonly word: string;
  readonly drafts: Drafts<T>;
  readonly stored: (id: string) => Promise<Stored<T>>;
  readonly differ: (a: T, b: T) => readonly string[];
  /** True while this window saves the document: what it holds of it is on its way. */
  readonly isOpen: (id: string) => boolean;
  /** Sends what this window has of its own, and lets go of the document. */
  readonly release?: (id: string) => Promise<void>;
  /** Takes up what has become this window's own. */
  readonly takeUp: (id: string) => Promise<void> | void;
  /** Where to go on with it. */
  readonly at: (id: string) => string;
}

/** A kind whose documents a form gives away whole. */
const givenAway = <T extends Named, L>(word: string, sender: Sender<T, L>, at: string): Kind<T> => ({
  word,
  drafts: sender.drafts,
  stored: sender.stored,
  differ: namesOfDifferences,
  isOpen: (id) => sender.use.getState()[id] !== undefined,
  takeUp: (id) => {
    sender.resume(id);
  },
  at: () => at,
});

async function leftOf<T extends Named>(
  { word, drafts, stored, differ, isOpen, release, takeUp, at }: Kind<T>,
  open: ReadonlySet<string>,
): Promise<readonly LeftBehind[]> {
  const closed = [
    ...drafts.left().filter(({ heldBy }) => !open.has(heldBy.window)),
    ...drafts.own().filter(({ heldBy }) => !isOpen(heldBy.id)),
  ];
  return Promise.all(
    closed.map(async (left: Left<T>): Promise<LeftBehind> => {
      const { heldBy, unsent } = left;
      const { id } = heldBy;
      const now = await stored(id).catch(() => undefined);
      const named = unsent.errands.map((e) => (e.kind === 'unpin' ? 'pin taken out' : `version: ${e.name}`));
      return {
        key: `${word} ${id} ${heldBy.window}`,
        id,
        word,
        name: unsent.document.name,
        own: drafts.isOwn(left),
        at: heldBy.at,
        half: false,
        fresh: unsent.baseVersion === NOT_THERE,
        // Where errands wait alone, the document is only as it was when they were given.
        differ: now && [...(unsent.edited ? differ(now.document, unsent.document) : []), ...named],
        bringIn: async () => {
          await release?.(id);
          if (!drafts.isOwn(left) && drafts.read(id) !== undefined)
            return { why: 'This window has changes of its own to it that are not sent yet.' };
          if (!drafts.adopt(left)) return { why: 'The browser’s store is full.' };
          await takeUp(id);
          return { at: at(id) };
        },
        drop: () => {
          drafts.drop(left);
        },
      };
    }),
  );
}

/** A form whose typing is held, and where it stands. */
interface Form {
  readonly word: string;
  readonly store: Held;
  readonly name: (value: unknown, id: string) => string;
  readonly at: (value: unknown, id: string) => string;
}

/** A text inside of what the browser held; empty where there is none. */
function textAt(value: unknown, ...keys: readonly string[]): string {
  const found = keys.reduce<unknown>(
    (at, key) => (at as Record<string, unknown> | null | undefined)?.[key],
    value,
  );
  return typeof found === 'string' ? found : '';
}

const FORMS: readonly Form[] = [
  {
    word: 'form of the part',
    store: partsTyped,
    name: (value, id) => textAt(value, 'cells', 'name') || id,
    at: (value) => `/shelf/${textAt(value, 'type')}`,
  },
  {
    word: 'form of the rules',
    store: rulesTyped,
    name: (value, id) => textAt(value, 'values', 'name') || id,
    at: (_value, id) => `/rules/${id}`,
  },
];

/** What closed windows typed into a form. */
const typedIn = ({ word, store, name, at }: Form, open: ReadonlySet<string>): readonly LeftBehind[] =>
  store
    .others()
    .filter(({ window }) => !open.has(window))
    .map((heldBy) => ({
      key: `${word} ${heldBy.id} ${heldBy.window}`,
      id: heldBy.id,
      word,
      name: name(heldBy.value, heldBy.id),
      own: false,
      at: heldBy.at,
      half: true,
      fresh: false,
      differ: undefined,
      bringIn: () => {
        if (store.own(heldBy.id) !== undefined)
          return Promise.resolve({ why: 'Something is typed into that form in this window already.' });
        if (!store.adopt(heldBy)) return Promise.resolve({ why: 'The browser’s store is full.' });
        return Promise.resolve({ at: at(heldBy.value, heldBy.id) });
      },
      drop: () => {
        store.drop(heldBy);
      },
    }));

async function allLeft(): Promise<readonly LeftBehind[]> {
  if (!anythingHeld()) return [];
  const open = await otherWindows();
  const lists = await Promise.all([
    leftOf(
      {
        word: 'build',
        drafts: buildDrafts,
        stored: api.builds.get,
        differ: differences,
        isOpen: (id) => useBuild.getState().id === id,
        release: async (id) => {
          if (useBuild.getState().id === id) await useBuild.getState().close();
        },
        takeUp: (id) => useBuild.getState().open(id),
        at: (id) => `/builds/${id}/brief`,
      },
      open,
    ),
    leftOf(
      {
        word: 'route',
        drafts: routeDrafts,
        stored: api.routes.get,
        differ: namesOfDifferences,
        isOpen: (id) => useRouteEdits.getState().open[id] !== undefined,
        release: releaseRoute,
        takeUp: async (id) => {
          const route = await fetchRoute(id);
          if (route !== null) useRouteEdits.getState().resume(route);
        },
        at: (id) => `/routes/${id}`,
      },
      open,
    ),
    leftOf(givenAway('part', partSender, '/shelf'), open),
    leftOf(givenAway('place’s rules', rulesSender, '/rules'), open),
  ]);
  return [...lists.flat(), ...FORMS.flatMap((form) => typedIn(form, open))];
}

/** What closed windows left unsent in this browser. */
export function useLeftBehind(): {
  readonly left: readonly LeftBehind[];
  readonly again: () => void;
} {
  const [left, setLeft] = useState<readonly LeftBehind[]>([]);
  const [reads, setReads] = useState(0);
  useEffect(() => {
    let gone = false;
    void allLeft().then((found) => {
      if (!gone) setLeft(found);
    });
    return () => {
      gone = true;
    };
  }, [reads]);
  return {
    left,
    again: () => {
      setReads(reads + 1);
    },
  };
}
