import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useLeftBehind, type LeftBehind } from '../state/left-behind.ts';
import { Button } from '../ui/button.tsx';

const when = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
const SHOWN = 6;

function differWords({ differ, fresh, half }: LeftBehind): string {
  if (half) return 'It was typed, and not given away: the form has it again when it is opened.';
  if (fresh) return 'It was never stored.';
  if (differ === undefined) return 'What is stored cannot be read to compare it.';
  if (differ.length === 0) return 'It is as what is stored.';
  const more = differ.length - SHOWN;
  return `Differs in: ${differ.slice(0, SHOWN).join(', ')}${more > 0 ? `, and ${String(more)} more` : ''}.`;
}

/** Changes that a closed window could not send any more: brought in, or dropped, when their user says so. */
export function LeftBehindNotes({
  only,
}: {
  readonly only?: { readonly word: string; readonly id: string };
}) {
  const { left, again } = useLeftBehind();
  const navigate = useNavigate();
  const [trouble, setTrouble] = useState<string>();
  const shown = left.filter((one) => only === undefined || (one.word === only.word && one.id === only.id));
  return (
    <>
      {shown.map((one) => (
        <section
          key={one.key}
          aria-label={`Left unsent: ${one.name}`}
          className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 border-[1.5px] border-ink bg-look-tint px-4 py-2"
          data-testid="left-behind"
        >
          <p className="min-w-60 flex-1">
            <b>
              {one.own ? 'This window' : 'A closed window'} left changes to the {one.word} “{one.name}” unsent
              {one.at === '' ? '' : `, ${when.format(new Date(one.at))}`}.
            </b>{' '}
            {differWords(one)} {trouble}
          </p>
          <Button
            kind="go"
            onClick={() => {
              void one.bringIn().then((done) => {
                if ('why' in done) setTrouble(done.why);
                else {
                  again();
                  if (only === undefined) void navigate(done.at);
                }
              });
            }}
          >
            Bring them in
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              one.drop();
              again();
            }}
          >
            Drop them
          </Button>
        </section>
      ))}
    </>
  );
}
