import { BookOpen, Mountain, Scale } from 'lucide-react';
import { Link } from 'react-router';
import { useSettings } from '../state/settings-store.ts';
import { Menu } from '../ui/menu.tsx';
import { FindButton } from './find-button.tsx';
import { HelpButton } from './help-button.tsx';
import { ThemeButton } from './theme-button.tsx';
import { BAR_BUTTON, Brand, UNIT_NAMES, UnitsChoice } from './bar-parts.tsx';

/** The bar of pages outside a build: home, shelf, routes, units, find, theme, help. */
export function PageBar() {
  const units = useSettings((state) => state.units);
  return (
    <header className="flex min-w-0 items-stretch border-b-2 border-ink bg-card [&>a:first-child_span]:tablet:max-bench:inline!">
      <Brand />
      <Link to="/shelf" className={`${BAR_BUTTON} max-tablet:min-w-11 max-tablet:justify-center`}>
        <BookOpen size={16} strokeWidth={1.6} aria-hidden /> <span className="max-tablet:sr-only">Shelf</span>
      </Link>
      <Link to="/routes" className={`${BAR_BUTTON} max-tablet:min-w-11 max-tablet:justify-center`}>
        <Mountain size={16} strokeWidth={1.6} aria-hidden />{' '}
        <span className="max-tablet:sr-only">Routes</span>
      </Link>
      <Link to="/rules" className={`${BAR_BUTTON} max-tablet:min-w-11 max-tablet:justify-center`}>
        <Scale size={16} strokeWidth={1.6} aria-hidden /> <span className="max-tablet:sr-only">Rules</span>
      </Link>
      <Menu
        trigger={
          <button type="button" className={`${BAR_BUTTON} max-tablet:hidden`}>
            <span className="text-ink3">Units</span> {UNIT_NAMES[units]}
          </button>
        }
      >
        <UnitsChoice />
      </Menu>
      <span className="flex flex-1 justify-end [&>button]:flex-1 max-tablet:[&>button]:flex-none">
        <FindButton />
      </span>
      <ThemeButton />
      <HelpButton />
    </header>
  );
}
