import { useId } from 'react';
import { usePeople } from '../../state/people.ts';

/** Who says it: the last name stays, the others are offered. */
export function WhoField() {
  const { who, names, setWho } = usePeople();
  const list = useId();
  return (
    <label className="flex items-center gap-3 text-[15px]">
      Who
      <input
        list={list}
        value={who}
        maxLength={60}
        placeholder="your name"
        className="h-12 w-full min-w-0 border-b-[1.5px] border-ink3 bg-field px-2 text-[17px]"
        onChange={(event) => {
          setWho(event.target.value);
        }}
      />
      <datalist id={list}>
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
    </label>
  );
}
