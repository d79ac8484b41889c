import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { SessionGate } from './team/access/SessionGate.tsx';
import { router } from './app/router.tsx';
import { makeStore } from './sync/store/store.ts';
import { loadOutbox } from './sync/outbox/outbox.ts';
import './styles.css';

// The only styles that the page may add by itself are those that name what came with it.
setNonce(document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content ?? '');

// A brief is opened with the edits that an earlier visit could not send.
await loadOutbox();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={makeStore()}>
      <SessionGate>
        <RouterProvider router={router} />
      </SessionGate>
    </Provider>
  </StrictMode>,
);
