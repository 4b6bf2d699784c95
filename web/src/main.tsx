import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { ApiError } from './api/client.ts';
import { sessionQuery } from './api/queries.ts';
import { router } from './app/router.tsx';
import { applyTheme, readTheme } from './app/theme.ts';
import { dropUnownedDrafts } from './app/useDraft.ts';
import { GlobalStyle } from './design/GlobalStyle.tsx';
import { FONT } from './design/tokens.ts';

/** The server says what is wrong; asking again helps only when it, or its book, was away. */
const AWAY: ReadonlySet<ApiError['code']> = new Set([
  'offline',
  'database-unavailable',
  'database-busy',
  'too-slow',
]);
const worthAnotherTry = (failures: number, error: Error) =>
  failures < 2 && error instanceof ApiError && AWAY.has(error.code);

/** What may have been saved is sent once more by itself: the server writes nothing twice. */
const isUnsure = (failures: number, error: Error) =>
  failures < 2 && error instanceof ApiError && error.code === 'maybe-saved';

/** A sign-in that has run out leads to the sign-in page and back; drafts stay on this device. */
const forgetSession = (error: Error) => {
  if (error instanceof ApiError && error.code === 'signed-out')
    void client.invalidateQueries({ queryKey: sessionQuery.queryKey });
};

const client: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError: forgetSession }),
  mutationCache: new MutationCache({ onError: forgetSession }),
  defaultOptions: {
    queries: { retry: worthAnotherTry, retryDelay: 800, staleTime: 5_000 },
    mutations: { retry: isUnsure, retryDelay: 800, networkMode: 'always' },
  },
});

/** The sheet is drawn once, in its own type: nothing moves when a font arrives late. */
const FONT_WAIT_ms = 1500;
async function fontsReady(): Promise<void> {
  const faces = [`400 15px ${FONT.words}`, `650 15px ${FONT.words}`, `400 15px ${FONT.figures}`];
  const late = new Promise((resolve) => setTimeout(resolve, FONT_WAIT_ms));
  await Promise.race([Promise.all(faces.map((face) => document.fonts.load(face))), late]);
}

applyTheme(readTheme());
dropUnownedDrafts(localStorage);
const root = document.getElementById('root');
if (root === null) throw new Error('The page has no root element');
void fontsReady().then(() =>
  createRoot(root).render(
    <StrictMode>
      <GlobalStyle />
      <QueryClientProvider client={client}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </StrictMode>,
  ),
);
