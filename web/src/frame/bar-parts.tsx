import { Link } from 'react-router';
import type { UnitSystem } from '@apple-cart/core';
import { useSettings } from '../state/settings-store.ts';
import { MenuChoice } from '../ui/menu.tsx';
import { Logo } from '../paper/logo.tsx';

/** Pieces that the bars of all pages share. */
export const BAR_BUTTON =
  'flex h-full items-center gap-2 border-r border-rule px-[11px] text-[13px] whitespace-nowrap hover:bg-press disabled:opacity-40 disabled:hover:bg-transparent';

export const UNIT_NAMES: Readonly<Record<UnitSystem, string>> = {
  metric: 'km/h, kg, mm',
  imperial: 'mph, lb, in',
};

export function UnitsChoice() {
  const units = useSettings((state) => state.units);
  const setUnits = useSettings((state) => state.setUnits);
  return (
    <MenuChoice
      value={units}
      onChange={setUnits}
      options={[
        { value: 'metric', label: UNIT_NAMES.metric },
        { value: 'imperial', label: UNIT_NAMES.imperial },
      ]}
    />
  );
}

/** The bar's left end: home. */
export const Brand = () => (
  <Link
    to="/"
    aria-label="Apple Cart: all builds"
    className="head flex items-center gap-[9px] border-r border-rule px-4 text-[18px] [font-stretch:88%] hover:bg-press max-bench:px-3"
  >
    <Logo />
    <span className="max-bench:hidden">Apple Cart</span>
  </Link>
);
