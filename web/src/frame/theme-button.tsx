import { Moon, Sun } from 'lucide-react';
import { useSettings } from '../state/settings-store.ts';

export function ThemeButton() {
  const theme = useSettings((state) => state.theme);
  const toggle = useSettings((state) => state.toggleTheme);
  const Icon = theme === 'dark' ? Sun : Moon;
  return (
    <button
      type="button"
      onClick={toggle}
      aria-label={theme === 'dark' ? 'Light theme' : 'Dark theme'}
      className="grid h-full w-11 place-items-center border-r border-rule hover:bg-press"
    >
      <Icon size={18} strokeWidth={1.6} aria-hidden />
    </button>
  );
}
