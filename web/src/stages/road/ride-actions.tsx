import { useState } from 'react';
import { useNavigate } from 'react-router';
import { fileName, gpxOfRecording, headOf, type ChannelId, type RideKept } from '@apple-cart/core';
import type { LogInfo } from '@apple-cart/contracts';
import { writeCsv } from '@apple-cart/contracts/csv';
import { api } from '../../state/api.ts';
import { recordingOf } from '../../state/logs.ts';
import { keepRecord } from '../../state/records.ts';
import { usePeople } from '../../state/people.ts';
import { downloadText } from '../../files/download.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Menu, MenuItem } from '../../ui/menu.tsx';
import { WhoField } from '../parts/who-field.tsx';
import type { Road } from './use-road.ts';

/** Rows of a recording are fetched so many at a time. */
const AT_ONCE = 20_000;

/** A recording as a table of ours, row by row, with units in its heads. */
async function csvOf(build: string, log: LogInfo): Promise<string> {
  const ids = log.columns.filter((c) => c !== 'metres' && c !== 'out' && c !== 'seconds') as ChannelId[];
  const rows: (number | string)[][] = [];
  for (let from = 0; from < log.rows; from += AT_ONCE) {
    const part = await api.logs.window(build, log.key, {
      columns: ['seconds', ...ids],
      from,
      to: from + AT_ONCE,
      most: AT_ONCE,
    });
    const of = (id: string): readonly (number | null)[] => {
      const column = part.columns[id];
      return column === undefined || !Array.isArray(column) ? [] : column;
    };
    of('seconds').forEach((s, i) => rows.push([s ?? '', ...ids.map((id) => of(id)[i] ?? '')]));
  }
  return writeCsv(['Time (s)', ...ids.map(headOf)], rows);
}

/** What can be done with a ride: put right, withdrawn, given out. */
export function RideActions({
  road,
  kept,
  log,
  onEdit,
  onCut,
}: {
  road: Road;
  kept: RideKept;
  log: LogInfo | undefined;
  onEdit: () => void;
  onCut: () => void;
}) {
  const navigate = useNavigate();
  const [asking, setAsking] = useState(false);
  const [trouble, setTrouble] = useState('');
  const { who, remember } = usePeople();
  const { ride } = kept;
  const name = `${road.document.name} ride ${ride.on}`;
  const give = (work: () => Promise<void>): void => {
    setTrouble('');
    work().catch(() => {
      setTrouble('It could not be given out: the server is away.');
    });
  };
  return (
    <>
      {trouble !== '' && (
        <span role="alert" className="text-[13px] text-stop">
          {trouble}
        </span>
      )}
      <Menu
        align="end"
        trigger={
          <Button kind="quiet" className="h-7! max-bench:h-11!" data-testid="ride-menu">
            This ride
          </Button>
        }
      >
        <MenuItem onSelect={onEdit}>Put it right</MenuItem>
        <MenuItem
          onSelect={() => {
            void navigate(`/builds/${road.build}/ride-sheet?ride=${encodeURIComponent(kept.first)}`);
          }}
        >
          Print it
        </MenuItem>
        <MenuItem
          onSelect={() => {
            setAsking(true);
          }}
        >
          Withdraw it
        </MenuItem>
        {log !== undefined && <MenuItem onSelect={onCut}>Cut the recording</MenuItem>}
        {log !== undefined && (
          <MenuItem
            onSelect={() => {
              give(async () => {
                downloadText(fileName(name, 'csv'), await csvOf(road.build, log), 'text/csv');
              });
            }}
          >
            Save the recording (CSV)
          </MenuItem>
        )}
        {log?.columns.includes('latDeg') === true && (
          <MenuItem
            onSelect={() => {
              give(async () => {
                const columns = ['seconds', 'metres', ...log.columns];
                const part = await api.logs.window(road.build, log.key, { columns, from: 0, most: AT_ONCE });
                const text = gpxOfRecording(name, ride.on, recordingOf(part));
                if (text !== undefined) downloadText(fileName(name, 'gpx'), text, 'application/gpx+xml');
              });
            }}
          >
            Save the track (GPX)
          </MenuItem>
        )}
      </Menu>
      <Dialog
        open={asking}
        onClose={() => {
          setAsking(false);
        }}
        title="Withdraw this ride?"
        description="It counts no more, in no sum and no lesson. What was written down stays in the record."
      >
        <WhoField />
        <div className="flex gap-2 pt-3">
          <Button
            disabled={who.trim() === ''}
            onClick={() => {
              remember(who);
              setAsking(false);
              void keepRecord(road.build, 'ride', null, {
                ...ride,
                who: who.trim(),
                corrects: kept.key,
                withdrawn: true,
              });
            }}
          >
            Withdraw it
          </Button>
          <Button
            kind="quiet"
            onClick={() => {
              setAsking(false);
            }}
          >
            Leave it
          </Button>
        </div>
      </Dialog>
    </>
  );
}
