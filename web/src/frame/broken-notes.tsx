import { describeIssue } from '@apple-cart/core';
import type { Broken } from '@apple-cart/contracts';
import type { DocumentApi } from '../state/api.ts';
import { Notice } from '../ui/notice.tsx';

/** What is stored and cannot be read: named, given out as it lies there, and put away when its user says so. */
export function BrokenNotes<T, L>({
  word,
  api,
  broken,
  onPutAway,
}: {
  /** What one is called: "build". */
  readonly word: string;
  readonly api: DocumentApi<T, L>;
  readonly broken: readonly Broken[];
  readonly onPutAway: (id: string) => void;
}) {
  return (
    <>
      {broken.map(({ id, issues }) => (
        <Notice
          key={id}
          kind="trouble"
          action={{
            words: 'Put it away',
            act: () => {
              onPutAway(id);
            },
          }}
        >
          <b>A stored {word} cannot be read</b> ({id}): {issues.slice(0, 2).map(describeIssue).join(' ')} The
          others are untouched.{' '}
          <a className="text-slate underline" href={api.asStored(id)} download>
            Save it as a file
          </a>
        </Notice>
      ))}
    </>
  );
}
