import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import * as z from 'zod';
import { App } from './app.tsx';
import { LetIn } from './frame/let-in.tsx';
import './index.css';
import { guardLeaving } from './state/leaving.ts';
import { queryClient } from './state/query-client.ts';
import { startOutbox } from './state/outbox.ts';
import { applyTheme } from './state/settings-store.ts';
import { joinWindows } from './state/this-window.ts';

// Zod would build its parsers with `new Function`, which the page's security policy rightly forbids.
z.config({ jitless: true });
applyTheme();
startOutbox();
joinWindows();
guardLeaving();

const root = document.getElementById('root');
if (root === null) throw new Error('the page has no root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <LetIn>
        <App />
      </LetIn>
    </QueryClientProvider>
  </StrictMode>,
);
