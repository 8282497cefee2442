import { useState } from 'react';
import { useNavigate } from 'react-router';
import { describeIssue } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { TextField } from '../fields/text-field.tsx';
import { ApiError } from '../state/api.ts';
import { saveRules, useRules } from '../state/rules.ts';
import { problemWords } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { freshPlaceId, rulesFrom } from './new-rules.ts';

/** A place of one's own, begun from the rules of another. */
export function NewPlace({ onClose }: { onClose: () => void }) {
  const { listed } = useRules();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [from, setFrom] = useState('eu');
  const [error, setError] = useState<string>();
  const create = async (): Promise<void> => {
    const base = listed.find((l) => l.id === from);
    if (base === undefined || name.trim() === '') {
      setError('Give the place a name.');
      return;
    }
    const id = freshPlaceId(
      name,
      listed.map((l) => l.id),
    );
    try {
      // Begun from a place that names others, it names them too.
      await saveRules(rulesFrom(base.document, id, name.trim(), new Date().getFullYear()), 0);
      void navigate(`/rules/${id}`);
    } catch (problem) {
      setError(
        problem instanceof ApiError && problem.issues.length > 0
          ? problem.issues.map(describeIssue).join(' ')
          : problemWords(problem, 'It could not be added.'),
      );
    }
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title="Add a place"
      description="It begins as a copy of another place’s rules; every limit of it can then be changed, with its source, year and certainty."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void create();
        }}
      >
        <TextField
          label="Name"
          value={name}
          max={80}
          placeholder="for example: our park’s own rules"
          onChange={setName}
        />
        <ChoiceField
          label="Begin from"
          value={from}
          options={listed.map((l) => ({ value: l.id, label: l.document.name, group: l.document.region }))}
          onChange={setFrom}
        />
        {error !== undefined && (
          <p role="alert" className="pt-3 text-stop">
            {error}
          </p>
        )}
        <div className="flex justify-end pt-4">
          <Button kind="go" type="submit">
            Add it
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
