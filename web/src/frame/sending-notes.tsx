import { useEffect } from 'react';
import type { Sender, Sending } from '../state/sender.ts';
import { namesOfDifferences } from '../state/differences.ts';
import { saveWords } from '../state/save-words.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { Notice } from '../ui/notice.tsx';
import { ConflictDialog } from './conflict-dialog.tsx';
import { GoneNotice } from './gone-notice.tsx';

interface Named {
  readonly name: string;
}

function Note<T extends Named, L>({
  sender,
  word,
  id,
  sending: { document, saving },
}: {
  readonly sender: Sender<T, L>;
  readonly word: string;
  readonly id: string;
  readonly sending: Sending<T>;
}) {
  const [trouble, attempt] = useAttempt();
  if (saving.theirs !== undefined)
    return (
      <ConflictDialog
        word={word}
        theirs={saving.theirs}
        differ={namesOfDifferences(document, saving.theirs.document)}
        onResolve={(choice) => void sender.resolve(id, choice)}
      />
    );
  if (saving.saveState === 'gone')
    return <GoneNotice word={word} onBringBack={() => void attempt(() => sender.bringBack(id))} />;
  const { bad, words, why } = saveWords(saving);
  if (!bad && trouble === undefined) return null;
  return (
    <Notice
      kind="trouble"
      action={
        saving.saveState === 'refused'
          ? {
              words: 'Leave it',
              act: () => {
                sender.drop(id);
              },
            }
          : undefined
      }
    >
      <b>{document.name}</b>: {trouble ?? `${words}. ${why ?? ''}`}
    </Notice>
  );
}

/** What a form gave away and the server does not have yet, each with what stands in its way. */
export function SendingNotes<T extends Named, L>({
  sender,
  word,
}: {
  readonly sender: Sender<T, L>;
  readonly word: string;
}) {
  const all = sender.use();
  useEffect(() => {
    sender.resumeAll();
  }, [sender]);
  return (
    <>
      {Object.entries(all).map(([id, sending]) => (
        <Note key={id} sender={sender} word={word} id={id} sending={sending} />
      ))}
    </>
  );
}
