import { useBuild } from '../state/build-store.ts';
import { differences } from '../state/differences.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

/** Two windows changed one build: nothing is lost, and the builder chooses which goes on. */
export function ConflictDialog() {
  const theirs = useBuild((state) => state.theirs);
  const mine = useBuild((state) => state.document);
  const resolve = useBuild((state) => state.resolve);
  if (theirs === undefined || mine === undefined) return null;
  const differ = differences(mine, theirs.document);
  const when = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }).format(
    new Date(theirs.updatedAt),
  );
  return (
    <Dialog
      open
      dismissable={false}
      onClose={() => undefined}
      title="Changed in another window"
      description={`Another window changed this build at ${when}, after you began. Choose which goes on; the other is kept under Versions, so nothing is lost.`}
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
        <Button kind="go" onClick={() => void resolve('mine')}>
          Go on with this window’s
        </Button>
        <Button onClick={() => void resolve('theirs')}>Take the other window’s</Button>
      </div>
    </Dialog>
  );
}
