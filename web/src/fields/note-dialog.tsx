import { Dialog } from '../ui/dialog.tsx';

interface Props {
  readonly about: string;
  readonly note: string;
  readonly onChange: (note: string) => void;
  readonly onClose: () => void;
}

/** A line about where a value comes from, kept with it as it is typed. */
export function NoteDialog({ about, note, onChange, onClose }: Props) {
  return (
    <Dialog
      open
      onClose={onClose}
      title={`Note: ${about.toLowerCase()}`}
      description="Where the value comes from, in a few words. Kept as it is typed."
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          onClose();
        }}
      >
        <input
          aria-label="Note"
          className="h-9 w-full border-b border-ink3 bg-field px-2 max-bench:h-11"
          value={note}
          maxLength={200}
          placeholder="for example: read on the case"
          onChange={(event) => {
            onChange(event.target.value);
          }}
        />
      </form>
    </Dialog>
  );
}
