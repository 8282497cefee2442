import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { describeIssue, readBuildText, type Issue } from '@apple-cart/core';
import { ApiError, api } from '../state/api.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

interface Failure {
  readonly file: string;
  readonly lines: readonly string[];
}

/** Files larger than this are not builds; reading them would only freeze the page. */
const LARGEST = 256 * 1024;

const linesOf = (issues: readonly Issue[]): readonly string[] => issues.map(describeIssue);

/** Brings a build in from a JSON file; what is wrong with it is said line by line, and nothing is stored. */
export function ImportBuild() {
  const input = useRef<HTMLInputElement>(null);
  const [failure, setFailure] = useState<Failure>();
  const navigate = useNavigate();

  const bringIn = async (file: File): Promise<void> => {
    if (file.size > LARGEST) {
      setFailure({
        file: file.name,
        lines: [
          `The file has ${String(Math.round(file.size / 1024))} kB; a build has at most ${String(LARGEST / 1024)} kB.`,
        ],
      });
      return;
    }
    const build = readBuildText(await file.text());
    if (!build.ok) {
      setFailure({ file: file.name, lines: linesOf(build.issues) });
      return;
    }
    try {
      const stored = await api.create(build.value);
      void navigate(`/builds/${stored.id}/brief`);
    } catch (problem) {
      const issues = problem instanceof ApiError ? problem.issues.map((i) => i.message) : [];
      setFailure({
        file: file.name,
        lines:
          issues.length > 0
            ? issues
            : [problem instanceof Error ? problem.message : 'It could not be stored.'],
      });
    }
  };

  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        className="hidden"
        data-testid="import-file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) void bringIn(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in a file</Button>
      <Dialog
        open={failure !== undefined}
        onClose={() => {
          setFailure(undefined);
        }}
        title="This file cannot be used"
        description={`${failure?.file ?? ''} is not a usable build. Nothing was stored. What to mend:`}
      >
        <ul data-testid="import-issues">
          {failure?.lines.slice(0, 40).map((line, i) => (
            <li key={i} className="border-b border-hair py-1.5">
              {line}
            </li>
          ))}
        </ul>
        {(failure?.lines.length ?? 0) > 40 && (
          <p className="pt-2 text-ink2">and {(failure?.lines.length ?? 0) - 40} more</p>
        )}
      </Dialog>
    </>
  );
}
