import { useState } from 'react';
import { Link } from 'react-router';
import { describeIssue, type PlaceRules } from '@apple-cart/core';
import { saveRules, useRules } from '../state/rules.ts';
import { problemWords } from '../state/use-attempt.ts';
import { BringInFile } from '../ui/bring-in-file.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { readFile } from '../work/read-file.ts';

/** Brings the rules of a place in from a file: whole, or not at all. */
export function ImportRules() {
  const { listed } = useRules();
  const [done, setDone] = useState<PlaceRules>();
  return (
    <>
      <BringInFile
        name="rules"
        refused="is not a usable file of rules. Nothing was changed, and the rules that were in force stay in force."
        onFile={async (file) => {
          const read = await readFile('rulesFile', file, new AbortController().signal);
          if (!read.ok) return read.issues.map(describeIssue);
          try {
            const now = listed.find((l) => l.id === read.value.id);
            await saveRules(read.value, now?.version ?? 0);
            setDone(read.value);
            return [];
          } catch (problem) {
            return [problemWords(problem, 'It could not be stored.')];
          }
        }}
      />
      {done !== undefined && (
        <Dialog
          open
          onClose={() => {
            setDone(undefined);
          }}
          title="Brought in"
          description={`The rules of ${done.name} are in force as the file has them.`}
        >
          <Link to={`/rules/${done.id}`} className="text-slate underline">
            Look at them
          </Link>
        </Dialog>
      )}
    </>
  );
}
