import './platform/withoutEval.ts';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import './style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ComponentType } from 'react';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Outlet } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { HttpError } from './platform/httpError.ts';
import { takeUpKept } from './platform/keptQueries.ts';
import { reloadForNewerProgram } from './platform/newerProgram.ts';
import { NotHere } from './platform/notHere.tsx';
import { Loading } from './platform/parts.tsx';
import { SettingsProvider } from './platform/settings.tsx';
import { Shell } from './platform/shell.tsx';
import { CoachSender } from './rooms/practice/count/index.ts';
import { CoachLibrary } from './rooms/prescription/index.ts';
import { Palette } from './rooms/progress/Palette.tsx';
import { StudentFrame } from './rooms/progress/StudentFrame.tsx';
import { MAIN_WORDS } from './words.ts';

/** A screen is fetched when it is visited. */
const visited =
  <M,>(load: () => Promise<M>, screen: (module: M) => ComponentType) =>
  async () => ({ Component: screen(await load()) });

const ClipReader = lazy(() =>
  import('./rooms/capture/ClipReader.tsx').then((m) => ({ default: m.ClipReader })),
);

reloadForNewerProgram();

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // A lesson lasts; what was heard is still there when the signal drops.
      gcTime: 12 * 3_600_000,
      retry: (count, error) => count < 2 && !(error instanceof HttpError && error.status >= 400),
    },
  },
});

void takeUpKept(client).catch(() => undefined);

const router = createBrowserRouter([
  {
    // A phone that films a lesson: nobody signs in on it.
    path: '/c/:token',
    errorElement: <NotHere />,
    HydrateFallback: () => <Loading what={MAIN_WORDS.theProgram} />,
    lazy: visited(
      () => import('./rooms/practice/CameraScreen.tsx'),
      (m) => m.CameraScreen,
    ),
  },
  {
    element: (
      <Shell
        palette={
          <CoachLibrary>
            <Palette />
          </CoachLibrary>
        }
      />
    ),
    errorElement: <NotHere />,
    HydrateFallback: () => <Loading what={MAIN_WORDS.theProgram} />,
    children: [
      {
        element: (
          <CoachLibrary>
            <Suspense fallback={null}>
              <ClipReader />
            </Suspense>
            <CoachSender />
            <Outlet />
          </CoachLibrary>
        ),
        errorElement: <NotHere />,
        children: [
          {
            path: '/',
            lazy: visited(
              () => import('./rooms/progress/TodayScreen.tsx'),
              (m) => m.TodayScreen,
            ),
          },
          {
            path: '/students',
            lazy: visited(
              () => import('./rooms/progress/RosterScreen.tsx'),
              (m) => m.RosterScreen,
            ),
          },
          {
            path: '/everybody',
            lazy: visited(
              () => import('./rooms/progress/EverybodyScreen.tsx'),
              (m) => m.EverybodyScreen,
            ),
          },
          {
            path: '/students/new',
            lazy: visited(
              () => import('./rooms/intake/IntakeScreen.tsx'),
              (m) => m.IntakeScreen,
            ),
          },
          {
            path: '/students/:id',
            element: <StudentFrame />,
            children: [
              {
                index: true,
                lazy: visited(
                  () => import('./rooms/progress/OverviewScreen.tsx'),
                  (m) => m.OverviewScreen,
                ),
              },
              {
                path: 'lesson',
                lazy: visited(
                  () => import('./rooms/progress/LessonScreen.tsx'),
                  (m) => m.LessonScreen,
                ),
              },
              {
                path: 'intake',
                lazy: visited(
                  () => import('./rooms/intake/IntakeScreen.tsx'),
                  (m) => m.IntakeScreen,
                ),
              },
              {
                path: 'bench',
                lazy: visited(
                  () => import('./rooms/measures/BenchScreen.tsx'),
                  (m) => m.BenchScreen,
                ),
              },
              {
                path: 'bench/:swingId',
                lazy: visited(
                  () => import('./rooms/measures/BenchScreen.tsx'),
                  (m) => m.BenchScreen,
                ),
              },
              {
                path: 'compare',
                lazy: visited(
                  () => import('./rooms/measures/CompareScreen.tsx'),
                  (m) => m.CompareScreen,
                ),
              },
              {
                path: 'live',
                lazy: visited(
                  () => import('./rooms/measures/LiveScreen.tsx'),
                  (m) => m.LiveScreen,
                ),
              },
              {
                path: 'diagnosis',
                lazy: visited(
                  () => import('./rooms/diagnosis/DiagnosisScreen.tsx'),
                  (m) => m.DiagnosisScreen,
                ),
              },
              {
                path: 'drills',
                lazy: visited(
                  () => import('./rooms/prescription/DrillScreen.tsx'),
                  (m) => m.DrillScreen,
                ),
              },
              {
                path: 'ladder',
                lazy: visited(
                  () => import('./rooms/practice/LadderScreen.tsx'),
                  (m) => m.LadderScreen,
                ),
              },
              {
                path: 'checkins',
                lazy: visited(
                  () => import('./rooms/checkins/ReviewScreen.tsx'),
                  (m) => m.ReviewScreen,
                ),
              },
              {
                path: 'checkins/:checkinId',
                lazy: visited(
                  () => import('./rooms/checkins/ReviewScreen.tsx'),
                  (m) => m.ReviewScreen,
                ),
              },
              {
                path: 'report',
                lazy: visited(
                  () => import('./rooms/progress/ReportScreen.tsx'),
                  (m) => m.ReportScreen,
                ),
              },
              {
                path: 'progress',
                lazy: visited(
                  () => import('./rooms/progress/ProgressScreen.tsx'),
                  (m) => m.ProgressScreen,
                ),
              },
            ],
          },
          {
            path: '/library',
            lazy: visited(
              () => import('./rooms/prescription/LibraryScreen.tsx'),
              (m) => m.LibraryScreen,
            ),
          },
          {
            path: '/library/:drillId/edit',
            lazy: visited(
              () => import('./rooms/prescription/DrillEditorScreen.tsx'),
              (m) => m.DrillEditorScreen,
            ),
          },
          {
            path: '/library/:drillId',
            lazy: visited(
              () => import('./rooms/prescription/LibraryScreen.tsx'),
              (m) => m.LibraryScreen,
            ),
          },
          {
            path: '/schools',
            lazy: visited(
              () => import('./rooms/intake/SchoolsScreen.tsx'),
              (m) => m.SchoolsScreen,
            ),
          },
          {
            path: '/data',
            lazy: visited(
              () => import('./platform/care/DataScreen.tsx'),
              (m) => m.DataScreen,
            ),
          },
          { path: '*', element: <NotHere /> },
        ],
      },
    ],
  },
]);

const root = document.getElementById('root');
if (!root) throw new Error('main: the page has no root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <SettingsProvider>
        <RouterProvider router={router} />
      </SettingsProvider>
    </QueryClientProvider>
  </StrictMode>,
);
