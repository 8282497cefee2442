import { useQuery } from '@tanstack/react-query';
import type { BackupState } from '@apple-cart/contracts';
import { api } from '../state/api.ts';
import { today } from '../state/today.ts';
import { readTrouble } from '../state/query-client.ts';

const DAY_MS = 24 * 60 * 60_000;
const date = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

/** How old a day is for whoever reads it today. */
function ageOf(day: string, now: string): string {
  const days = Math.round((Date.parse(now) - Date.parse(day)) / DAY_MS);
  if (days <= 0) return 'today';
  return days === 1 ? 'yesterday' : `${String(days)} days ago`;
}

/** What there is to go back to, and how. */
function Told({ on, days, folder, trouble }: BackupState) {
  const [newest] = days;
  return (
    <>
      <p className="py-1.5" data-testid="backup">
        {!on && <b className="text-stop">Daily backups are switched off. </b>}
        {on && newest === undefined && <b className="text-stop">There is no backup yet. </b>}
        {newest !== undefined && (
          <>
            The last was made <b>{ageOf(newest, today())}</b>, {date.format(new Date(`${newest}T12:00:00`))};{' '}
            {days.length} {days.length === 1 ? 'day is' : 'days are'} kept.{' '}
          </>
        )}
        {trouble !== null && <b className="text-stop">The last try failed: {trouble}</b>}
      </p>
      {folder !== null && <p className="pb-1.5 text-[13px] break-all text-ink2">{folder}</p>}
      <p className="pb-1.5 text-[13px] text-ink2">
        One by hand: <code className="num">npm run backup -- FILE</code>. Back to one, with the server
        stopped: <code className="num">npm run restore -- FILE</code>; what was there is kept beside it.
      </p>
    </>
  );
}

/** The backups of everything that is stored, with their age. */
export function BackupLine() {
  const { data, error } = useQuery({ queryKey: ['backup'], queryFn: () => api.backup(), staleTime: 0 });
  if (error !== null)
    return <p className="py-1.5 text-stop">{readTrouble(error, 'The backups cannot be looked at.')}</p>;
  if (data === undefined)
    return (
      <p role="status" className="py-1.5 text-ink2">
        Looking…
      </p>
    );
  return <Told {...data} />;
}
