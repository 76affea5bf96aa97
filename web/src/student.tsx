import './studentFonts.css';
import './student.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { SettingsProvider } from './platform/settings.tsx';
import { installPage } from './rooms/checkins/installPage.ts';
import { askForPage } from './rooms/checkins/queries.ts';
import { StudentPageScreen } from './rooms/checkins/StudentPageScreen.tsx';

/** The student's page: an entry of its own, small, that a phone opens from a private link. */
const token = decodeURIComponent(location.pathname.split('/')[2] ?? '');
const client = new QueryClient({ defaultOptions: { queries: { staleTime: 10_000 } } });
// Asked for before anything is drawn.
void client.prefetchQuery(askForPage(token));
// A browser that can't keep it opens it all the same.
window.addEventListener('load', () => void installPage(token).catch(() => undefined));

const root = document.getElementById('root');
if (!root) throw new Error('student: the page has no root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <SettingsProvider>
        <StudentPageScreen token={token} />
      </SettingsProvider>
    </QueryClientProvider>
  </StrictMode>,
);
