import { Search } from 'lucide-react';
import { Link } from 'react-router';

/** From a sheet of a build to the search of the whole shelf. */
export function SearchLink() {
  return (
    <Link
      to="../change?view=search"
      relative="path"
      className="no-print mt-1 inline-flex min-h-11 items-center gap-2 border-[1.5px] border-ink bg-field px-3 text-[14px] font-semibold hover:bg-press"
    >
      <Search size={17} strokeWidth={1.8} aria-hidden /> Which motor and pack? Search the whole shelf
    </Link>
  );
}
