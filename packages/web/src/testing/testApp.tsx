import { act, cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { clearAllListeners } from '@reduxjs/toolkit';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { SessionGate } from '../team/access/SessionGate.tsx';
import { api } from '../sync/api/api.ts';
import { routes } from '../app/routes.tsx';
import { makeStore } from '../sync/store/store.ts';
import { drop, allPending } from '../sync/outbox/outbox.ts';
import { sampleParts } from './testAnswers.ts';
import { fakeServer, type FakeServer } from './fakeServer.ts';

/**
 * The whole app at an address, as its user has it before them, with a server in this process. Used by tests only.
 * @returns who clicks and types, the server, and where the app is now
 */
export function openApp(
  at: string,
  {
    server = fakeServer(),
    settings = {},
    isBack = false,
  }: {
    server?: FakeServer;
    settings?: object;
    /** What an earlier visit kept on this computer is there. */ isBack?: boolean;
  } = {},
) {
  closeApp();
  if (!isBack) {
    localStorage.clear();
    for (const { id } of allPending()) drop(id);
  }
  // The look around is offered to newcomers only; it is in nobody’s way here.
  localStorage.setItem('anvilstone-settings', JSON.stringify({ offersLook: false, theme: 'light', ...settings }));
  globalThis.fetch = server.answer;
  const store = (openStore = makeStore());
  history.replaceState(null, '', at);
  const router = (open = createBrowserRouter(routes));
  render(
    <Provider store={store}>
      <SessionGate>
        <RouterProvider router={router} />
      </SessionGate>
    </Provider>,
  );
  const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });
  return {
    server,
    store,
    user,
    /** Puts a text in the place of what a field holds, in one go: the engine is asked once and not by each letter. */
    async over(one: HTMLElement | string | RegExp, text: string) {
      const element = one instanceof HTMLElement ? one : await field(one);
      await user.tripleClick(element);
      (element as HTMLInputElement).select();
      if (text === '') await user.clear(element);
      else await user.paste(text);
    },
    /** Path and search of the page. */
    where: () => `${location.pathname}${location.search}`,
    go: (to: string) => act(() => router.navigate(to)),
    /** Waits until nothing is asked of the server any more. */
    async settled() {
      await Promise.all(store.dispatch(api.util.getRunningQueriesThunk()));
      await Promise.all(store.dispatch(api.util.getRunningMutationsThunk()));
    },
  };
}

/** One page at a time is open, as in a browser. */
let open: ReturnType<typeof createBrowserRouter> | undefined;
let openStore: ReturnType<typeof makeStore> | undefined;

/** As a window is closed: nothing of it goes on. */
function closeApp(): void {
  cleanup();
  open?.dispose();
  // What waits to be saved would go to the next test's server, and keep the process from ending.
  openStore?.dispatch(clearAllListeners());
  openStore?.dispatch(api.util.resetApiState());
  open = openStore = undefined;
}
// For whoever ends a file of tests, which may have opened none.
Object.assign(globalThis, { closeApp });

/** Address of the sample’s part whose title begins so. */
export function partPath(title: string): string {
  const found = sampleParts.find(({ brief }) => brief.title.startsWith(title));
  if (!found) throw new Error(`The sample has no part “${title}”`);
  return `/parts/${found.id}`;
}

/** A field by its whole name. Not by the library’s own search, which walks the page once for every label. */
export const field = (name: string | RegExp): Promise<HTMLElement> =>
  waitFor(() => {
    const found = fieldsCalled(name);
    if (found.length !== 1) throw new Error(`${found.length} fields are called ${String(name)}`);
    return found[0]!;
  });
function fieldsCalled(name: string | RegExp): HTMLElement[] {
  const isIt = (text: string | null) => {
    const plain = (text ?? '').replace(/\s+/g, ' ').trim();
    return typeof name === 'string' ? plain === name : name.test(plain);
  };
  const labelled = [...document.querySelectorAll('label')]
    .filter((label) => isIt(label.textContent))
    .map((label) =>
      label.htmlFor
        ? document.getElementById(label.htmlFor)
        : label.querySelector<HTMLElement>('input, select, textarea'),
    );
  const named = [...document.querySelectorAll<HTMLElement>('[aria-label]')].filter((one) =>
    isIt(one.getAttribute('aria-label')),
  );
  return [...new Set([...labelled, ...named])].filter((one) => one !== null);
}
export const button = (name: string | RegExp) => screen.findByRole('button', { name });
