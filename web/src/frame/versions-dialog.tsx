import { useEffect, useState } from 'react';
import type { RevisionSummary } from '@apple-cart/contracts';
import type { DocumentApi } from '../state/api.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

const REASON: Readonly<Record<RevisionSummary['reason'], string>> = {
  auto: 'kept by itself',
  named: 'kept by you',
  pin: 'pinned',
  'was-pin': 'was pinned',
  'set-aside': 'set aside',
};

const when = (iso: string): string =>
  new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(iso));

/** Keep the present state under a name, and return to any state kept before. */
export function VersionsDialog<T, L>({
  api,
  id,
  onKeep,
  onTake,
  onClose,
}: {
  readonly api: DocumentApi<T, L>;
  readonly id: string;
  /** Keeps the present state under a name; absent where a form shows no state of its own. */
  readonly onKeep?: (name: string) => Promise<void>;
  /** Makes a version the present state. */
  readonly onTake: (document: T) => void;
  readonly onClose: () => void;
}) {
  const [list, setList] = useState<readonly RevisionSummary[]>();
  const [name, setName] = useState('');
  const [error, setError] = useState<string>();

  const tell = (problem: unknown): void => {
    setError(problem instanceof Error ? problem.message : 'That did not work.');
  };
  const [reads, setReads] = useState(0);
  useEffect(() => {
    let gone = false;
    api.versions
      .list(id)
      .then(({ revisions }) => {
        if (!gone) setList(revisions);
      })
      .catch((problem: unknown) => {
        if (!gone) tell(problem);
      });
    return () => {
      gone = true;
    };
  }, [api, id, reads]);

  const keep = async (): Promise<void> => {
    if (name.trim() === '') return;
    // It waits in the line of what is saved: while the server is away it is kept here, and said so in the bar.
    await onKeep?.(name.trim());
    setName('');
    setReads(reads + 1);
  };
  const goBack = async (revision: RevisionSummary): Promise<void> => {
    try {
      const kept = await api.versions.get(id, revision.id);
      onTake(kept.document);
      onClose();
    } catch (problem) {
      tell(problem);
    }
  };

  return (
    <Dialog
      open
      onClose={onClose}
      title="Versions"
      description="Returning to a version is an edit like any other: it can be undone."
    >
      {onKeep !== undefined && (
        <form
          className="mb-4 flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <input
            value={name}
            maxLength={80}
            onChange={(event) => {
              setName(event.target.value);
            }}
            aria-label="Name of this version"
            placeholder="Name it, for example: second quote"
            className="h-8 min-w-0 flex-1 border-b border-ink3 bg-field px-2 max-bench:h-11"
          />
          <Button type="submit" disabled={name.trim() === ''}>
            Keep this state
          </Button>
        </form>
      )}
      {error !== undefined && (
        <p role="alert" className="mb-2 text-stop">
          {error}
        </p>
      )}
      {list === undefined && <p className="text-ink2">Fetching the versions…</p>}
      {list?.length === 0 && (
        <p className="text-ink2">
          None yet. Kept here are what you name, what a conflict sets aside and, of a build, the state before
          a change, at most one in five minutes.
        </p>
      )}
      {list !== undefined && list.length > 0 && (
        <ul>
          {list.map((revision) => (
            <li key={revision.id} className="flex items-center gap-3 border-b border-hair py-1.5">
              <span className="min-w-0 flex-1">
                <b className="block truncate font-semibold">{revision.name ?? 'Before a change'}</b>
                <span className="text-[12px] text-ink2">
                  {when(revision.createdAt)}, {REASON[revision.reason]}
                </span>
              </span>
              <Button kind="quiet" onClick={() => void goBack(revision)}>
                Return to it
              </Button>
            </li>
          ))}
        </ul>
      )}
    </Dialog>
  );
}
