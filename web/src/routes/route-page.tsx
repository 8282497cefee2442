import { useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import {
  cleanedProfile,
  climbRidden,
  formatNumber,
  riddenLengthM,
  routeLengthM,
  steepestRidden,
  totalClimb,
  type Route,
} from '@apple-cart/core';
import { FieldGroup } from '../fields/field-group.tsx';
import { PlainNumber } from '../fields/plain-number.tsx';
import { NotFound } from '../paper/not-found.tsx';
import { PageBar } from '../frame/page-bar.tsx';
import { ChoiceRow } from '../ride/choice-row.tsx';
import { ConflictDialog } from '../frame/conflict-dialog.tsx';
import { GoneNotice } from '../frame/gone-notice.tsx';
import { LeftBehindNotes } from '../frame/left-behind-notes.tsx';
import { VersionsDialog } from '../frame/versions-dialog.tsx';
import { api } from '../state/api.ts';
import { namesOfDifferences } from '../state/differences.ts';
import { saveWords } from '../state/save-words.ts';
import { bringRouteBack } from '../state/routes.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { useQuantity } from '../state/use-quantity.ts';
import { Notice } from '../ui/notice.tsx';
import { useWindowKey } from '../ui/use-window-key.ts';
import { movedNode, smoothedAnew } from './edit-profile.ts';
import { SpansTable, StopsTable } from './marks-tables.tsx';
import { MOST_DRAGGED, ProfileEditor } from './profile-editor.tsx';
import { RouteHead } from './route-head.tsx';
import { StretchTable } from './stretch-table.tsx';
import { useRouteEdit, type RouteEdit } from '../state/route-edit.ts';

const SMOOTH = ['0', '40', '100', '200', '400'] as const;

/** Figures of the road in one line. */
function Figures({ route }: { route: Route }) {
  const shown = useQuantity();
  const { upM, downM } = climbRidden(route);
  const steep = steepestRidden(route);
  const raw = route.recorded === null ? undefined : totalClimb(route.recorded.elevationM).upM;
  const metres = (m: number): string => `${shown(m, 'm', 0).text} ${shown(m, 'm', 0).unit}`;
  const km = (m: number): string => `${shown(m / 1000, 'km', 2).text} ${shown(1, 'km').unit}`;
  const ridden = riddenLengthM(route);
  return (
    <p className="py-2 text-[14px] leading-snug" data-testid="route-figures">
      <b>{km(routeLengthM(route))}</b> one way{ridden > routeLengthM(route) && <>, {km(ridden)} ridden</>}; up{' '}
      <b>{metres(upM)}</b>
      {raw !== undefined && <> ({metres(raw)} as recorded)</>}, down {metres(downM)}; steepest{' '}
      <b>{formatNumber(steep.gradePct, 1)} %</b> at {metres(steep.atM)}.
    </p>
  );
}

function Editor({ route, edit }: { route: Route; edit: RouteEdit['edit'] }) {
  const drawn = route.recorded === null && route.profile.length <= MOST_DRAGGED;
  const noise = route.recorded === null ? undefined : cleanedProfile(route.recorded).cleaning;
  const shown = useQuantity();
  const rough = shown(noise?.noiseM ?? 0, 'm', 1);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 bench:grid-cols-[400px_minmax(0,1fr)]">
      <div className="@container max-bench:order-last">
        <FieldGroup title="Stretches" note={drawn ? 'drag the points, or type' : ''}>
          <StretchTable route={route} edit={edit} />
        </FieldGroup>
        <FieldGroup title="Surface and limits" note="else smooth paving, no limit">
          <SpansTable route={route} edit={edit} />
        </FieldGroup>
        <FieldGroup title="Stops">
          <StopsTable route={route} edit={edit} />
        </FieldGroup>
      </div>
      <div>
        <ProfileEditor
          route={route}
          onMove={(index, distanceM, elevationM, key) => {
            edit((r) => movedNode(r, index, { distanceM, elevationM }), 'point moved', key);
          }}
        />
        <Figures route={route} />
        {route.recorded !== null && noise !== undefined && (
          <div className="border-t border-hair py-2">
            <ChoiceRow
              label="Heights smoothed over, m"
              value={SMOOTH.find((s) => Number(s) === route.recorded?.smoothM) ?? '0'}
              options={SMOOTH.map((value) => ({ value, label: value }))}
              onChange={(value) => {
                edit((r) => smoothedAnew(r, Number(value)), 'smoothing');
              }}
            />
            <p className="pt-1 text-[12.5px] text-ink2">
              Thin slate: as recorded, with noise of about {rough.text} {rough.unit};{' '}
              {formatNumber(noise.spikes, 0)} {noise.spikes === 1 ? 'spike' : 'spikes'} taken out.{' '}
              {formatNumber(noise.smoothM, 0)} m suit its noise.
            </p>
          </div>
        )}
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2 border-t border-hair py-2">
          <ChoiceRow
            label="Ridden"
            value={route.andBack ? 'back' : 'once'}
            options={[
              { value: 'once', label: 'one way, or a loop' },
              { value: 'back', label: 'there and back' },
            ]}
            onChange={(value) => {
              edit((r) => ({ ...r, andBack: value === 'back' }), 'way back');
            }}
          />
          <PlainNumber
            label="Times"
            value={route.times}
            unit="1"
            min={1}
            max={100}
            step={1}
            onChange={(times) => {
              edit((r) => ({ ...r, times: Math.round(times) }), 'times', 'times');
            }}
          />
        </div>
        <p className="border-t border-hair py-2 text-[13.5px] leading-snug">
          To ride it, open a{' '}
          <Link to="/" className="text-slate underline">
            build
          </Link>{' '}
          and choose it as the road on its Hill or Range stage.
        </p>
        <p className="text-[12.5px] leading-snug text-ink2">
          Bars at the foot: yellow another surface, teal a limit, slate snow. Red squares are stops. A road
          that was drawn has no place on the earth: its GPX is laid out from 0, 0.
        </p>
      </div>
    </div>
  );
}

/** One road: its profile to drag or type, surfaces, limits, stops, and files to take out. */
export function RoutePage() {
  const { id = '' } = useParams();
  const work = useRouteEdit(id);
  const { read, route, edit, saving } = work;
  const said = saveWords(saving);
  const [versions, setVersions] = useState(false);
  const name = route?.name;
  useEffect(() => {
    document.title = `${name ?? 'Route'}, Apple Cart`;
  }, [name]);
  useWindowKey((event) => {
    if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return;
    event.preventDefault();
    if (event.shiftKey) work.redo?.();
    else work.undo?.();
  });
  const [trouble, attempt] = useAttempt();
  if (read.state === 'gone' && read.away)
    return (
      <NotFound
        what="route"
        title="This route was put away"
        detail={trouble ?? 'It is kept as it was, and can be brought back.'}
        action={{ words: 'Bring it back', act: () => void attempt(() => bringRouteBack(id)) }}
      />
    );
  if (read.state === 'gone' || read.state === 'none') return <NotFound what="route" />;
  return (
    <div className="grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[46px_minmax(0,1fr)]">
      <PageBar />
      <main className="relative overflow-y-auto">
        <div className="mx-auto my-4 max-w-[1240px] border-2 border-ink bg-sheet px-6 pt-3 pb-6 max-tablet:my-0 max-tablet:border-0 max-tablet:px-3">
          <Link
            to="/routes"
            className="inline-block py-1.5 text-[13px] text-slate underline max-bench:py-3.5"
          >
            All routes
          </Link>
          {read.state === 'unread' && (
            <Notice kind="trouble" action={{ words: 'Try again', act: read.retry }}>
              {read.why}
            </Notice>
          )}
          {route === undefined ? (
            read.state === 'reading' && (
              <p role="status" className="py-10 text-center text-ink2">
                Fetching the road…
              </p>
            )
          ) : (
            <>
              <RouteHead
                work={work}
                route={route}
                onVersions={() => {
                  setVersions(true);
                }}
              />
              {saving.saveState === 'gone' && <GoneNotice word="route" onBringBack={work.bringBack} />}
              {saving.saveState === 'refused' && <Notice kind="trouble">{said.why}</Notice>}
              {saving.theirs !== undefined && (
                <ConflictDialog
                  word="route"
                  theirs={saving.theirs}
                  differ={namesOfDifferences(route, saving.theirs.document)}
                  onResolve={work.resolve}
                />
              )}
              <LeftBehindNotes only={{ word: 'route', id }} />
              {versions && (
                <VersionsDialog
                  api={api.routes}
                  id={id}
                  onKeep={work.keep}
                  onTake={(kept) => {
                    edit(() => kept, 'return to a version');
                  }}
                  onClose={() => {
                    setVersions(false);
                  }}
                />
              )}
              <input
                aria-label="Note"
                className="w-full bg-transparent py-1.5 text-[15px] text-ink2 outline-none focus:bg-field max-bench:min-h-11"
                placeholder="A note"
                value={route.note}
                maxLength={400}
                onChange={(event) => {
                  const note = event.target.value;
                  edit((r) => ({ ...r, note }), 'note', 'note');
                }}
              />
              <Editor route={route} edit={edit} />
            </>
          )}
        </div>
      </main>
    </div>
  );
}
