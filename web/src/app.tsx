import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { Suspense, lazy } from 'react';
import { loadBuildPage } from './frame/load-build-page.ts';
import { BuildsPage } from './builds/builds-page.tsx';
import { NotFound } from './frame/not-found.tsx';

const BuildPage = lazy(loadBuildPage);
const MeasureSheet = lazy(() =>
  import('./stages/donor/measure-sheet.tsx').then((m) => ({ default: m.MeasureSheet })),
);

const ChargeCard = lazy(() =>
  import('./stages/power/charge-card.tsx').then((m) => ({ default: m.ChargeCard })),
);

const ShelfPage = lazy(() => import('./shelf/shelf-page.tsx').then((m) => ({ default: m.ShelfPage })));

const RoutesPage = lazy(() => import('./routes/routes-page.tsx').then((m) => ({ default: m.RoutesPage })));
const RoutePage = lazy(() => import('./routes/route-page.tsx').then((m) => ({ default: m.RoutePage })));

export function App() {
  return (
    <BrowserRouter>
      <Routes>
        <Route path="/" element={<BuildsPage />} />
        <Route path="/builds" element={<Navigate to="/" replace />} />
        <Route path="/builds/:id" element={<Navigate to="brief" replace />} />
        <Route
          path="/builds/:id/measure-sheet"
          element={
            <Suspense>
              <MeasureSheet />
            </Suspense>
          }
        />
        <Route
          path="/builds/:id/charge-card"
          element={
            <Suspense>
              <ChargeCard />
            </Suspense>
          }
        />
        <Route
          path="/builds/:id/:stage"
          element={
            <Suspense>
              <BuildPage />
            </Suspense>
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
