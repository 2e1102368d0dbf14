import '../css/app.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './App';
import { ApiError } from './lib/api';
import './lib/i18n';
import { NoticeProvider } from './ui/Notice';

setNonce(document.querySelector('meta[name="style-nonce"]')?.getAttribute('content') ?? '');

const client = new QueryClient({
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

createRoot(document.getElementById('app') as HTMLElement).render(
  <StrictMode>
    <QueryClientProvider client={client}>
      <NoticeProvider>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </NoticeProvider>
    </QueryClientProvider>
  </StrictMode>,
);
