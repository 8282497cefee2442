import { BookOpen } from 'lucide-react';
import { useEffect, useState } from 'react';
import { applyPart, moneyText, type Part, type PartType } from '@apple-cart/core';
import { api } from '../../state/api.ts';
import { useBuild } from '../../state/build-store.ts';
import { Menu, MenuHeading, MenuItem } from '../../ui/menu.tsx';

let shelf: Promise<readonly Part[]> | undefined;
const fetchShelf = (): Promise<readonly Part[]> => {
  shelf ??= api.parts().catch((error: unknown) => {
    shelf = undefined;
    throw error;
  });
  return shelf;
};

function facts(part: Part): string {
  switch (part.type) {
    case 'motor':
      return `${String(part.ratedPowerW)} W rated, ${String(part.kvRpmPerV)} rpm/V, ${String(part.massKg)} kg`;
    case 'pack':
      return `${String(part.cellsInSeries)} in series, ${String(part.nominalV * part.capacityAh)} Wh, ${String(part.bmsCurrentA)} A`;
    case 'controller':
      return `${String(part.batteryCurrentA)} A battery, ${String(part.phaseCurrentA)} A phase`;
    case 'donor':
      return `${part.style}, ${String(part.tyreMm)}-${String(part.beadMm)}, ${String(part.massKg)} kg`;
    case 'ring':
      return `${String(part.teeth)} teeth`;
    case 'cogs':
      return `${part.cogTeeth.join(', ')}${part.hubRatios.length > 0 ? `, ${String(part.hubRatios.length)} gears in the hub` : ''}`;
    case 'tyre':
      return `${String(part.tyreMm)}-${String(part.beadMm)}, rolling ${String(part.crr)}`;
  }
}

/** Takes a part from the shelf: its values are copied into the build, marked as read from a label. */
export function ShelfMenu({ type }: { type: PartType }) {
  const edit = useBuild((state) => state.edit);
  const [parts, setParts] = useState<readonly Part[]>();
  const [failed, setFailed] = useState(false);
  const [wanted, setWanted] = useState(0);
  useEffect(() => {
    let gone = false;
    fetchShelf()
      .then((all) => {
        if (!gone) setParts(all.filter((part) => part.type === type));
      })
      .catch(() => {
        if (!gone) setFailed(true);
      });
    return () => {
      gone = true;
    };
  }, [type, wanted]);
  return (
    <Menu
      align="end"
      trigger={
        <button
          type="button"
          className="flex min-h-6 items-center gap-1.5 text-[12.5px] text-slate underline max-bench:min-h-11"
        >
          <BookOpen size={14} strokeWidth={1.6} aria-hidden /> from the shelf
        </button>
      }
    >
      <MenuHeading>Sample parts, all invented. Their values are copied.</MenuHeading>
      {failed && (
        <MenuItem
          onSelect={() => {
            setFailed(false);
            setWanted(wanted + 1);
          }}
        >
          The shelf cannot be reached. Try again.
        </MenuItem>
      )}
      {parts?.length === 0 && <MenuHeading>Nothing of this kind on the shelf.</MenuHeading>}
      {parts?.map((part) => (
        <MenuItem
          key={part.id}
          onSelect={() => {
            edit((d) => applyPart(d, part), `${part.type} from the shelf`);
          }}
        >
          <span className="min-w-0 flex-1">
            {part.name}
            <span className="block text-[12px] text-ink2">{facts(part)}</span>
          </span>
          {part.price !== null && (
            <span className="num text-[13px]">{moneyText(part.price, part.currency)}</span>
          )}
        </MenuItem>
      ))}
    </Menu>
  );
}
