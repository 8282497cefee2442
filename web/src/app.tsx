import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { Suspense, lazy, type ReactNode } from 'react';
import { loadBuildPage } from './frame/load-build-page.ts';
import { BuildsPage } from './builds/builds-page.tsx';
import { WithRules } from './frame/with-rules.tsx';
import { NotFound } from './paper/not-found.tsx';
import { PRINTED_SHEETS } from './stages/sheets.tsx';

const BuildPage = lazy(loadBuildPage);
const RulesPage = lazy(() => import('./rules/rules-page.tsx').then((m) => ({ default: m.RulesPage })));
const RulesFilePage = lazy(() =>
  import('./rules/rules-file-page.tsx').then((m) => ({ default: m.RulesFilePage })),
);

const ShelfPage = lazy(() => import('./shelf/shelf-page.tsx').then((m) => ({ default: m.ShelfPage })));

const GlossaryPage = lazy(() =>
  import('./glossary/glossary-page.tsx').then((m) => ({ default: m.GlossaryPage })),
);
const RoutesPage = lazy(() => import('./routes/routes-page.tsx').then((m) => ({ default: m.RoutesPage })));
const RoutePage = lazy(() => import('./routes/route-page.tsx').then((m) => ({ default: m.RoutePage })));

/** A page that judges builds, fetched with the rule book it judges them by. */
const Judging = ({ children }: { children: ReactNode }) => (
  <WithRules>
    <Suspense>{children}</Suspense>
  </WithRules>
);

export function App() {
  return (
    <BrowserRouter>
      <Routes>
        <Route path="/" element={<BuildsPage />} />
        <Route path="/builds" element={<Navigate to="/" replace />} />
        <Route path="/builds/:id" element={<Navigate to="brief" replace />} />
        {PRINTED_SHEETS.map(({ path, Page }) => (
          <Route
            key={path}
            path={`/builds/:id/${path}`}
            element={
              <Judging>
                <Page />
              </Judging>
            }
          />
        ))}
        <Route
          path="/rules"
          element={
            <Judging>
              <RulesPage />
            </Judging>
          }
        />
        <Route
          path="/rules/:id"
          element={
            <Judging>
              <RulesFilePage />
            </Judging>
          }
        />
        <Route
          path="/builds/:id/:stage"
          element={
            <Judging>
              <BuildPage />
            </Judging>
          }
        />
        <Route
          path="/shelf/:type?"
          element={
            <Suspense>
              <ShelfPage />
            </Suspense>
          }
        />
        <Route
          path="/words"
          element={
            <Suspense>
              <GlossaryPage />
            </Suspense>
          }
        />
        <Route
          path="/routes"
          element={
            <Suspense>
              <RoutesPage />
            </Suspense>
          }
        />
        <Route
          path="/routes/:id"
          element={
            <Suspense>
              <RoutePage />
            </Suspense>
          }
        />
        <Route path="*" element={<NotFound what="page" />} />
      </Routes>
    </BrowserRouter>
  );
}
