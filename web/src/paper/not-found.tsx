import { Link } from 'react-router';
import { Button } from '../ui/button.tsx';
import { Logo } from './logo.tsx';

/** An address that leads nowhere says so, and where to go. */
export function NotFound({
  what,
  title = `There is no such ${what} here`,
  detail,
  action,
}: {
  what: string;
  /** What is so; that there is none, where nothing else is said. */
  title?: string;
  detail?: string;
  action?: { readonly words: string; readonly act: () => void };
}) {
  return (
    <main className="mx-auto flex h-full max-w-xl flex-col justify-center gap-4 px-6">
      <Logo />
      <h1 className="head text-[30px]">{title}</h1>
      <p className="text-ink2">{detail ?? 'The address may be mistyped, or the build was put away.'}</p>
      {action !== undefined && (
        <p>
          <Button kind="go" onClick={action.act}>
            {action.words}
          </Button>
        </p>
      )}
      <p>
        <Link to="/" className="text-slate underline">
          All builds
        </Link>
      </p>
    </main>
  );
}
