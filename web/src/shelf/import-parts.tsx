import { useRef, useState } from 'react';
import { counted, describeIssue, partFields, type Part, type PartType } from '@apple-cart/core';
import { ApiError } from '../state/api.ts';
import { takePartsIn } from '../state/shelf.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';
import {
  guessMapping,
  partsFromTable,
  rememberMapping,
  rememberedMapping,
  type Mapping,
} from '../files/parts-file.ts';
import type { CsvTable } from '../files/csv.ts';
import { readFile } from '../work/read-file.ts';
import { BadRows, ColumnChoice } from './column-choice.tsx';
import { TYPE_NAMES } from '../stages/parts/part-facts.ts';

type Step =
  | { readonly kind: 'table'; readonly file: string; readonly table: CsvTable; readonly mapping: Mapping }
  | { readonly kind: 'failed'; readonly file: string; readonly lines: readonly string[] }
  | { readonly kind: 'done'; readonly words: string };

function problemLines(problem: unknown): readonly string[] {
  if (problem instanceof ApiError && problem.issues.length > 0)
    return problem.issues.map((i) => describeIssue(i));
  return [problem instanceof Error ? problem.message : 'It could not be stored.'];
}

/** Brings parts in from JSON or CSV: columns are matched, bad rows are named with their line, nothing half-done stays. */
export function ImportParts({ type }: { type: PartType }) {
  const input = useRef<HTMLInputElement>(null);
  const [step, setStep] = useState<Step>();

  const send = async (file: string, parts: readonly unknown[]): Promise<void> => {
    try {
      const { added, replaced } = await takePartsIn(parts);
      setStep({ kind: 'done', words: `${String(added)} added, ${String(replaced)} replaced.` });
    } catch (problem) {
      setStep({ kind: 'failed', file, lines: problemLines(problem) });
    }
  };
  const bringIn = async (file: File): Promise<void> => {
    try {
      const read = await readFile('partsFile', file, new AbortController().signal);
      if (!read.ok)
        setStep({ kind: 'failed', file: file.name, lines: read.issues.map((i) => describeIssue(i)) });
      else if (read.value.kind === 'documents') await send(file.name, read.value.documents);
      else {
        const { table } = read.value;
        const mapping = guessMapping(partFields(type), table.columns, rememberedMapping(type));
        setStep({ kind: 'table', file: file.name, table, mapping });
      }
    } catch (problem) {
      setStep({ kind: 'failed', file: file.name, lines: problemLines(problem) });
    }
  };

  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,.csv,application/json,text/csv"
        className="hidden"
        data-testid="import-parts"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file !== undefined) void bringIn(file);
        }}
      />
      <Button onClick={() => input.current?.click()}>Bring in a file</Button>
      {step?.kind === 'failed' && (
        <Dialog
          open
          onClose={() => {
            setStep(undefined);
          }}
          title="The file cannot be used"
          description={`${step.file}: nothing was stored. The number before a path is the part’s place in the file, from 0.`}
        >
          <ul data-testid="import-parts-issues" className="list-disc pl-5">
            {step.lines.slice(0, 30).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </Dialog>
      )}
      {step?.kind === 'done' && (
        <Dialog
          open
          onClose={() => {
            setStep(undefined);
          }}
          title="Brought in"
          description={step.words}
        >
          <Button
            onClick={() => {
              setStep(undefined);
            }}
          >
            To the shelf
          </Button>
        </Dialog>
      )}
      {step?.kind === 'table' && (
        <Matching
          type={type}
          step={step}
          onMapping={(mapping) => {
            setStep({ ...step, mapping });
          }}
          onClose={() => {
            setStep(undefined);
          }}
          onTake={(parts) => {
            rememberMapping(type, step.mapping);
            void send(step.file, parts);
          }}
        />
      )}
    </>
  );
}

/** Which column is which, and what would come of it. */
function Matching({
  type,
  step: { table, mapping, file },
  onMapping,
  onClose,
  onTake,
}: {
  type: PartType;
  step: Extract<Step, { kind: 'table' }>;
  onMapping: (mapping: Mapping) => void;
  onClose: () => void;
  onTake: (parts: readonly Part[]) => void;
}) {
  const fields = partFields(type);
  const { parts, bad } = partsFromTable(type, table, mapping);
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Which column is which?`}
      description={`${file} has ${counted(table.rows.length, 'row')}, read as ${TYPE_NAMES[type].many.toLowerCase()}. The choice is remembered.`}
    >
      <ColumnChoice columns={table.columns} fields={fields} mapping={mapping} onMapping={onMapping} />
      <BadRows rows={bad} />
      <div className="flex flex-wrap gap-3 pt-3">
        <Button
          kind="go"
          disabled={parts.length === 0}
          onClick={() => {
            onTake(parts);
          }}
        >
          {bad.length === 0
            ? `Take ${String(parts.length)} in`
            : `Skip the bad rows, take ${String(parts.length)} in`}
        </Button>
        <Button kind="quiet" onClick={onClose}>
          Refuse the file
        </Button>
      </div>
    </Dialog>
  );
}
