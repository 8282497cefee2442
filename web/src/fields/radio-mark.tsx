/** The round mark of one choice among several that stand in rows; the row is its label. */
export function RadioMark({
  group,
  checked,
  onChoose,
}: {
  group: string;
  checked: boolean;
  onChoose: () => void;
}) {
  return (
    <input
      type="radio"
      name={group}
      className="size-[18px] accent-ink max-bench:size-6"
      checked={checked}
      onChange={onChoose}
    />
  );
}
