import { counted, type Wire } from '@apple-cart/core';
import { FieldGroup } from '../../fields/field-group.tsx';
import { showPicture } from '../../ui/show-picture.ts';
import { STATE_WORD, StateMark } from '../../ui/state-mark.tsx';
import type { WiringData } from './use-wiring.ts';

/** What a plug pair is at, in a word. */
export function plugWords({ plug, plugState }: Wire): string {
  const [first] = plug;
  if (first === undefined) return 'all match';
  if (first.rule === 'not-seen') return 'not looked at';
  return first.pins.length > 0
    ? `${String(first.pins.length)} ${first.rule.replaceAll('-', ' ')}`
    : STATE_WORD[plugState];
}

/** Every plug pair with its state; one is in hand. */
export function CableList({ wiring, wire, choose }: WiringData) {
  const bad = wiring.wires.filter((w) => w.plugState === 'stop').length;
  const open = wiring.wires.filter((w) => w.plugState === 'unknown').length;
  return (
    <FieldGroup title="Plug pairs" note={`${String(bad)} amiss, ${String(open)} open`}>
      <ul data-testid="plug-pairs">
        {wiring.wires.map((w) => (
          <li key={w.cable.key}>
            <button
              type="button"
              aria-current={w.cable.key === wire?.cable.key}
              data-plug={w.cable.key}
              onClick={() => {
                choose(w.cable.key);
                showPicture();
              }}
              className="grid min-h-[27px] w-full grid-cols-[40px_minmax(0,1fr)_60px_minmax(0,112px)] items-center gap-x-1 border-b border-hair px-1 text-left text-[13px] hover:bg-press aria-[current=true]:border-l-4 aria-[current=true]:border-l-ink aria-[current=true]:bg-press aria-[current=true]:font-semibold max-bench:min-h-11"
            >
              <span className="num">P{w.cable.number}</span>
              <span>{w.cable.carries}</span>
              <span className="num text-right text-[12px]">{counted(w.cable.from.pins.length, 'pin')}</span>
              <span className="flex items-center gap-1.5 pl-2 text-[12px]">
                <StateMark state={w.plugState} size={13} />
                <span className="truncate">{plugWords(w)}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </FieldGroup>
  );
}
