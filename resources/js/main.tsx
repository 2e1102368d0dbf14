import '../css/app.css';
import { MutationCache, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { App } from './shell/App';
import { ApiError } from './lib/api';
import './lib/i18n';
import { NoticeProvider } from './ui/Notice';

setNonce(document.querySelector('meta[name="style-nonce"]')?.getAttribute('content') ?? '');

const client: QueryClient = new QueryClient({
  mutationCache: new MutationCache({
    onError: (error) => {
      if (error instanceof ApiError && (error.status === 401 || error.status === 419)) {
        void client.invalidateQueries({ queryKey: ['session'] });
      }
    },
  }),
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (times, error) => times < 2 && !(error instanceof ApiError && error.status >= 400 && error.status < 500),
    },
  },
});

// Whoever is signed out in another window is asked to sign in here too.
client.getQueryCache().subscribe((event) => {
  if (
    event.type === 'updated' &&
    event.query.state.error instanceof ApiError &&
    event.query.state.error.status === 401 &&
    event.query.queryKey[0] !== 'session'
  ) {
    void client.invalidateQueries({ queryKey: ['session'] });
  }
});

// Every page lies under one route; a router of this kind can ask before a page is left.
const router = createBrowserRouter([{ path: '*', element: <App /> }]);

createRoot(document.getElementById('app') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <NoticeProvider>
        <RouterProvider router={router} />
      </NoticeProvider>
    </QueryClientProvider>
  </StrictMode>,
);
