import { ArrowRight, Plus } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { newBuild, type DonorStyle, type DriveKind, type PlaceId, type StageId } from '@apple-cart/core';
import { ChoiceField } from '../fields/choice-field.tsx';
import { usePlaceOptions } from '../fields/place-options.ts';
import { TextField } from '../fields/text-field.tsx';
import { STYLE_NAMES, wheelsOf } from '../stages/donor/donor-styles.ts';
import { DRIVE_KINDS } from '../stages/drive/drive-kinds.ts';
import { api } from '../state/api.ts';
import { Button } from '../ui/button.tsx';
import { Dialog } from '../ui/dialog.tsx';

interface Start {
  readonly title: string;
  readonly under: string;
  /** Where the new card is opened. */
  readonly stage: StageId;
}

const STARTS: readonly Start[] = [
  { title: 'From a bicycle', under: 'measure it, choose its motor', stage: 'donor' },
  { title: 'From a hill', under: 'what would climb it, loaded', stage: 'hill' },
  { title: 'From a finished machine', under: 'what would a change gain', stage: 'power' },
];
const PLAIN: Start = { title: 'Start a build', under: '', stage: 'brief' };

function StartDialog({ start, onClose }: { start: Start; onClose: () => void }) {
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
      const stored = await api.create({
        ...build,
        brief: { ...build.brief, place },
        donor: { ...build.donor, style, wheelCount: wheelsOf(style) },
      });
      void navigate(`/builds/${stored.id}/${start.stage}`);
    } catch (problem) {
      setError(problem instanceof Error ? problem.message : 'The build could not be made.');
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

/** The first card: how to begin. */
export function StartCard() {
  const [start, setStart] = useState<Start>();
  return (
    <section className="bg-ink p-[1.5px] [clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]">
      <div className="flex h-full flex-col bg-field px-4 pt-3 pb-4 [clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]">
        <h2 className="head text-[20px]">Start a build</h2>
        <p className="py-1.5 text-[15px]">
          One card takes a bicycle from “which motor?” to class, hill and range.
        </p>
        <div className="mb-4 border-t-[1.5px] border-ink">
          {STARTS.map((one) => (
            <button
              key={one.title}
              type="button"
              onClick={() => {
                setStart(one);
              }}
              className="flex w-full items-center justify-between border-b border-rule py-2 text-left hover:bg-press"
            >
              <span>
                <b className="head block text-[15px]">{one.title}</b>
                <span className="text-[12.5px] text-ink2">{one.under}</span>
              </span>
              <ArrowRight size={18} strokeWidth={1.6} aria-hidden />
            </button>
          ))}
        </div>
        <Button
          kind="go"
          className="mt-auto h-12! text-[16px]!"
          onClick={() => {
            setStart(PLAIN);
          }}
        >
          <Plus size={18} strokeWidth={1.8} aria-hidden /> Start a build
        </Button>
      </div>
      {start !== undefined && (
        <StartDialog
          start={start}
          onClose={() => {
            setStart(undefined);
          }}
        />
      )}
    </section>
  );
}
