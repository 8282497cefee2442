import { Redo2, Undo2 } from 'lucide-react';
import { fileName, writeGpx, type Route } from '@apple-cart/core';
import { downloadText } from '../files/download.ts';
import { tableCsv } from '../files/table-csv.ts';
import type { RouteEdit } from '../state/route-edit.ts';
import { saveWords } from '../state/save-words.ts';
import { Button } from '../ui/button.tsx';
import { Menu, MenuItem } from '../ui/menu.tsx';

function Export({ route }: { route: Route }) {
  return (
    <Menu align="end" trigger={<Button kind="quiet">Take out</Button>}>
      <MenuItem
        onSelect={() => {
          downloadText(fileName(route.name, 'gpx'), writeGpx(route), 'application/gpx+xml');
        }}
      >
        Track (GPX)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          const rows = route.profile.map((p) => [p.distanceM, p.elevationM]);
          downloadText(
            fileName(route.name, 'csv'),
            tableCsv({ columns: [{ name: 'distance_m' }, { name: 'elevation_m' }], rows }),
            'text/csv',
          );
        }}
      >
        Distance and elevation (CSV)
      </MenuItem>
      <MenuItem
        onSelect={() => {
          downloadText(
            fileName(route.name, 'json'),
            `${JSON.stringify(route, null, 2)}\n`,
            'application/json',
          );
        }}
      >
        Whole route (JSON)
      </MenuItem>
    </Menu>
  );
}

/** Its name, where saving stands, and what can be done with it. */
export function RouteHead({
  work,
  route,
  onVersions,
}: {
  readonly work: RouteEdit;
  readonly route: Route;
  readonly onVersions: () => void;
}) {
  const { edit, saving } = work;
  const said = saveWords(saving);
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-ink pb-2">
      <h1 className="sr-only">Route {route.name}</h1>
      <input
        aria-label="Name of the route"
        className="head min-w-0 flex-1 bg-transparent max-bench:min-h-11 text-[30px] max-tablet:basis-full font-extrabold tracking-[-.015em] outline-none focus:bg-field max-tablet:text-[24px]"
        value={route.name}
        maxLength={80}
        onChange={(event) => {
          const next = event.target.value;
          if (next.trim() !== '') edit((r) => ({ ...r, name: next }), 'name', 'name');
        }}
      />
      <span
        className={`text-[13px] ${said.bad ? 'font-semibold text-stop' : 'text-ink2'}`}
        role={said.bad ? 'alert' : 'status'}
        data-save-state={saving.saveState}
        title={said.why}
      >
        {said.words}
      </span>
      <Button kind="quiet" aria-label="Undo" disabled={work.undo === undefined} onClick={work.undo}>
        <Undo2 size={16} strokeWidth={1.6} aria-hidden />
      </Button>
      <Button kind="quiet" aria-label="Redo" disabled={work.redo === undefined} onClick={work.redo}>
        <Redo2 size={16} strokeWidth={1.6} aria-hidden />
      </Button>
      <Button kind="quiet" onClick={onVersions}>
        Versions
      </Button>
      <Export route={route} />
    </div>
  );
}
