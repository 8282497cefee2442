import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newBuild, type DonorStyle, type DriveKind, type PlaceId, type StageId } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { usePlaceOptions } from '../fields/place-options.ts';
import { TextField } from '../fields/text-field.tsx';
import { STYLE_NAMES, wheelsOf } from '../stages/donor/donor-styles.ts';
import { DRIVE_KINDS } from '../stages/drive/drive-kinds.ts';
import { createBuild } from '../state/builds.ts';
import { problemWords } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

export interface Start {
  readonly title: string;
  readonly under: string;
  /** Where the new card is opened. */
  readonly stage: StageId;
}

/** The four answers that a new build begins with. */
export function StartDialog({ start, onClose }: { start: Start; onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<DriveKind>('geared-hub');
  const [style, setStyle] = useState<DonorStyle>('diamond');
  const [place, setPlace] = useState<PlaceId>('gb');
  const places = usePlaceOptions(place);
  const [error, setError] = useState<string>();
  const navigate = useNavigate();

  const create = async (): Promise<void> => {
    const build = newBuild(name.trim() === '' ? 'New build' : name.trim(), kind);
    try {
      const stored = await createBuild({
        ...build,
        brief: { ...build.brief, place },
        donor: { ...build.donor, style, wheelCount: wheelsOf(style) },
      });
      void navigate(`/builds/${stored.id}/${start.stage}`);
    } catch (problem) {
      setError(problemWords(problem, 'The build could not be made.'));
    }
  };
  return (
    <Dialog
      open
      onClose={onClose}
      title={start.title}
      description="Four answers are enough. Everything else starts as unknown or assumed, and says so."
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
          placeholder="for example: hill commuter"
          onChange={setName}
        />
        <ChoiceField label="Donor" value={style} options={STYLE_NAMES} onChange={setStyle} />
        <ChoiceField label="Motor" value={kind} options={DRIVE_KINDS} onChange={setKind} />
        <ChoiceField label="Ridden in" value={place} options={places} onChange={setPlace} />
        {error !== undefined && (
          <p role="alert" className="pt-3 text-stop">
            {error}
          </p>
        )}
        <div className="flex justify-end pt-4">
          <Button kind="go" type="submit" className="h-10!">
            Start
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
