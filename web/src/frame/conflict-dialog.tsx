import type { Stored } from '@apple-cart/contracts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

interface Props {
  /** What it is: "build", "part". */
  readonly word: string;
  readonly theirs: Stored<unknown>;
  /** Names of what differs. */
  readonly differ: readonly string[];
  readonly onResolve: (choice: 'mine' | 'theirs') => void;
}

/** Two windows changed one document: nothing is lost, and its user chooses which goes on. */
export function ConflictDialog({ word, theirs, differ, onResolve }: Props) {
  const when = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(
    new Date(theirs.updatedAt),
  );
  return (
    <Dialog
      open
      dismissable={false}
      onClose={() => undefined}
      title="Changed in another window"
      description={`Another window changed this ${word} at ${when}, after you began. Choose which goes on; the other is kept under Versions, so nothing is lost.`}
    >
      <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Where they differ</h3>
      <ul className="mb-4 max-h-48 overflow-y-auto">
        {differ.map((name) => (
          <li key={name} className="border-b border-hair py-1">
            {name}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <Button
          kind="go"
          onClick={() => {
            onResolve('mine');
          }}
        >
          Go on with this window’s
        </Button>
        <Button
          onClick={() => {
            onResolve('theirs');
          }}
        >
          Take the other window’s
        </Button>
      </div>
    </Dialog>
  );
}
