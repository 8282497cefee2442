import { takeOut, useOutbox } from '../../state/outbox.ts';
import { TextButton } from '../../ui/text-button.tsx';

/** What is kept here and has not reached the server, and what it will never take. */
export function OutboxNotice({ build, broken }: { build: string; broken: number }) {
  const { waiting, away } = useOutbox();
  const mine = waiting.filter((w) => w.build === build);
  const refused = mine.filter((w) => w.refused !== '');
  const open = mine.length - refused.length;
  return (
    <div role="status" data-testid="outbox" className="text-[13.5px]">
      {open > 0 && (
        <p className="border-b border-hair bg-look-tint px-2 py-1.5">
          {open} {open === 1 ? 'entry is' : 'entries are'} kept in this browser and not yet on the server
          {away ? ': it cannot be reached, and is tried again' : ''}.
        </p>
      )}
      {broken > 0 && (
        <p className="border-b border-hair bg-look-tint px-2 py-1.5">
          {broken} {broken === 1 ? 'record' : 'records'} of this build cannot be read any more; they are kept
          as they lie.
        </p>
      )}
      {refused.map((w) => (
        <p key={w.seq} className="flex items-center gap-2 border-b border-hair bg-stop-tint px-2 py-1.5">
          <span className="flex-1">
            {w.what === 'photo' ? 'A photograph' : 'An entry'} was not taken: {w.refused}
          </span>
          <TextButton
            onClick={() => {
              void takeOut(w.seq);
            }}
          >
            Take it out
          </TextButton>
        </p>
      ))}
    </div>
  );
}
