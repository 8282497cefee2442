import { Button } from './button.tsx';

/** Under a list of which the first few stand: shows all of it, or the few again. */
export function ShowAll({
  all,
  count,
  of = '',
  few = 'Show fewer',
  onTurn,
}: {
  all: boolean;
  count: number;
  /** What the list is of. */
  of?: string;
  few?: string;
  onTurn: (all: boolean) => void;
}) {
  return (
    <Button
      kind="quiet"
      className="no-print mt-1"
      aria-expanded={all}
      onClick={() => {
        onTurn(!all);
      }}
    >
      {all ? few : `Show all ${String(count)}${of === '' ? '' : ` ${of}`}`}
    </Button>
  );
}
