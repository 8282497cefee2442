import { KITS, kitsOn, type Kit } from '@apple-cart/core';
import { FoldedGroup } from '../../fields/field-group.tsx';
import { YesNoField } from '../../fields/choice-field.tsx';
import type { Purchasing } from './use-purchase.ts';

/** Lines that come along in such a box at times. Common practice. */
const MAY_BRING: Readonly<Record<Kit, readonly string[]>> = {
  motor: [
    'controller',
    'display',
    'throttle',
    'brake-sensors',
    'assist-sensor',
    'speed-sensor',
    'shift-sensor',
    'torque-arms',
    'axle-washers',
    'anti-rotation',
    'offset-ring',
    'motor-plug',
    'tyre',
    'cogs',
    'key',
  ],
  pack: [
    'charger',
    'cradle',
    'pack-lock',
    'fuse',
    'main-switch',
    'charge-socket',
    'rack-plate',
    'anti-spark',
  ],
};
const NAMES: Readonly<Record<Kit, string>> = { motor: 'In the motor’s box', pack: 'In the pack’s box' };

/** What comes along with motor and pack: it is taken off the list, and nobody pays it twice. */
export function KitContents({ document, rows, change }: Purchasing) {
  const { brings } = document.purchase;
  const on = kitsOn(
    document,
    rows.filter((row) => row.from === 'build'),
  );
  return KITS.map((kit) => {
    if (!on.includes(kit)) return null;
    const box = brings[kit];
    const lines = rows.flatMap((row) => {
      const as = row.from === 'build' ? row.line?.broughtAs : undefined;
      const may = MAY_BRING[kit].includes(row.key);
      return as !== undefined && (may || box?.[as] !== undefined) ? [{ row, as }] : [];
    });
    const said = Object.keys(box ?? {}).length;
    return (
      <FoldedGroup
        key={kit}
        title={NAMES[kit]}
        note={box === null ? 'nobody has said' : `${String(said)} ${said === 1 ? 'thing' : 'things'}`}
      >
        {lines.map(({ row, as }) => (
          <YesNoField
            key={row.key}
            label={row.what.split(',')[0] ?? row.what}
            value={box?.[as] !== undefined}
            yes="in the box"
            no={box === null ? 'not said' : 'not in it'}
            onChange={(yes) => {
              const rest = Object.fromEntries(Object.entries(box ?? {}).filter(([key]) => key !== as));
              const all = row.line?.quantity ?? 1;
              change(
                { brings: { ...brings, [kit]: yes ? { ...rest, [as]: all } : rest } },
                'what comes along',
              );
            }}
          />
        ))}
        {lines.length === 0 && (
          <p className="py-1 text-[12.5px] text-ink2">The list asks for nothing that comes so.</p>
        )}
      </FoldedGroup>
    );
  });
}
