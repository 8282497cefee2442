import { useRef, useState } from 'react';
import { Button } from './button.tsx';
import { Dialog } from './dialog.tsx';

interface Props {
  /** Names the input and the list of what is wrong, for tests: `import-` before it. */
  readonly name: string;
  /** Said with the file's name where it cannot be used. */
  readonly refused: string;
  /** Takes the file in; gives what is wrong with it, line by line, or nothing. */
  readonly onFile: (file: File) => Promise<readonly string[]>;
  /** What the reader's file chooser offers. */
  readonly accept?: string;
  /** On its button. */
  readonly words?: string;
}

const SHOWN = 40;

/** A file from the reader's machine, JSON unless it says else, taken whole or refused line by line. */
export function BringInFile({
  name,
  refused,
  onFile,
  accept = '.json,application/json',
  words = 'Bring in a file',
}: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [failure, setFailure] = useState<{ readonly file: string; readonly lines: readonly string[] }>();
  const bringIn = async (file: File): Promise<void> => {
    const lines = await onFile(file).catch((problem: unknown) => [
      problem instanceof Error ? problem.message : 'The file could not be read.',
    ]);
    if (lines.length > 0) setFailure({ file: file.name, lines });
  };
  const lines = failure?.lines ?? [];
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        className="hidden"
        data-testid={`import-${name}`}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) void bringIn(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>{words}</Button>
      <Dialog
        open={failure !== undefined}
        onClose={() => {
          setFailure(undefined);
        }}
        title="This file cannot be used"
        description={`${failure?.file ?? ''} ${refused} What to mend:`}
      >
        <ul data-testid={`import-${name}-issues`}>
          {lines.slice(0, SHOWN).map((line, i) => (
            <li key={i} className="border-b border-hair py-1.5">
              {line}
            </li>
          ))}
        </ul>
        {lines.length > SHOWN && <p className="pt-2 text-ink2">and {lines.length - SHOWN} more</p>}
      </Dialog>
    </>
  );
}
