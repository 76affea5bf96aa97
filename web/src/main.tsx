import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import './style.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Outlet } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { DataScreen } from './platform/care/index.ts';
import { HttpError } from './platform/httpError.ts';
import { NotHere } from './platform/notHere.tsx';
import { SettingsProvider } from './platform/settings.tsx';
import { Shell } from './platform/shell.tsx';
import { ReviewScreen, StudentPageScreen } from './rooms/checkins/index.ts';
import { DiagnosisScreen } from './rooms/diagnosis/index.ts';
import { IntakeScreen, SchoolsScreen } from './rooms/intake/index.ts';
import { BenchScreen, CompareScreen, LiveScreen } from './rooms/measures/index.ts';
import { LadderScreen } from './rooms/practice/index.ts';
import { CoachLibrary, DrillEditorScreen, DrillScreen, LibraryScreen } from './rooms/prescription/index.ts';
import {
  OverviewScreen,
  Palette,
  ProgressScreen,
  RosterScreen,
  StudentFrame,
  TodayScreen,
} from './rooms/progress/index.ts';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      retry: (count, error) => count < 2 && !(error instanceof HttpError && error.status >= 400),
    },
  },
});

const router = createBrowserRouter([
  { path: '/p/:token', element: <StudentPageScreen /> },
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
    children: [
      {
        element: (
          <CoachLibrary>
            <Outlet />
          </CoachLibrary>
        ),
        children: [
          { path: '/', element: <TodayScreen /> },
          { path: '/students', element: <RosterScreen /> },
          { path: '/students/new', element: <IntakeScreen /> },
          {
            path: '/students/:id',
            element: <StudentFrame />,
            children: [
              { index: true, element: <OverviewScreen /> },
              { path: 'intake', element: <IntakeScreen /> },
              { path: 'bench', element: <BenchScreen /> },
              { path: 'bench/:swingId', element: <BenchScreen /> },
              { path: 'compare', element: <CompareScreen /> },
              { path: 'live', element: <LiveScreen /> },
              { path: 'diagnosis', element: <DiagnosisScreen /> },
              { path: 'drills', element: <DrillScreen /> },
              { path: 'ladder', element: <LadderScreen /> },
              { path: 'checkins', element: <ReviewScreen /> },
              { path: 'checkins/:checkinId', element: <ReviewScreen /> },
              { path: 'progress', element: <ProgressScreen /> },
            ],
          },
          { path: '/library', element: <LibraryScreen /> },
          { path: '/library/:drillId/edit', element: <DrillEditorScreen /> },
          { path: '/library/:drillId', element: <LibraryScreen /> },
          { path: '/schools', element: <SchoolsScreen /> },
          { path: '/data', element: <DataScreen /> },
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
