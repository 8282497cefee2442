import { useBuild } from '../state/build-store.ts';
import { differences } from '../state/differences.ts';
import { ConflictDialog } from './conflict-dialog.tsx';
import { GoneNotice } from './gone-notice.tsx';

/** What two windows on one build have to settle. */
export function BuildTroubles() {
  const theirs = useBuild((state) => state.theirs);
  const mine = useBuild((state) => state.document);
  const gone = useBuild((state) => state.saveState === 'gone');
  const { resolve, bringBack } = useBuild.getState();
  return (
    <>
      {gone && (
        <div className="no-print px-4 pt-3">
          <GoneNotice word="build" onBringBack={() => void bringBack()} />
        </div>
      )}
      {theirs !== undefined && mine !== undefined && (
        <ConflictDialog
          word="build"
          theirs={theirs}
          differ={differences(mine, theirs.document)}
          onResolve={(choice) => void resolve(choice)}
        />
      )}
    </>
  );
}
