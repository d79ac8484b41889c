import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { SessionGate } from './access/SessionGate.tsx';
import { api } from './app/api.ts';
import { routes } from './app/routes.tsx';
import { makeStore } from './app/store.ts';
import { testHouse, type TestHouse } from './testHouse.ts';

/**
 * The whole app at an address, as its user has it before them, with a server in this process. Used by tests only.
 * @returns who clicks and types, the server, and where the app is now
 */
export function openApp(
  at: string,
  {
    house = testHouse(),
    settings = {},
    isBack = false,
  }: {
    house?: TestHouse;
    settings?: object;
    /** What an earlier visit kept on this computer is there. */ isBack?: boolean;
  } = {},
) {
  cleanup();
  if (!isBack) localStorage.clear();
  // The look around is offered to newcomers only; it is in nobody’s way here.
  localStorage.setItem('anvilstone-settings', JSON.stringify({ offersLook: false, theme: 'light', ...settings }));
  globalThis.fetch = house.answer;
  const store = makeStore();
  const router = createMemoryRouter(routes, { initialEntries: [at] });
  render(
    <Provider store={store}>
      <SessionGate>
        <RouterProvider router={router} />
      </SessionGate>
    </Provider>,
  );
  return {
    house,
    store,
    user: userEvent.setup({ delay: null, pointerEventsCheck: 0 }),
    /** Path and search of the page. */
    where: () => `${router.state.location.pathname}${router.state.location.search}`,
    go: (to: string) => act(() => router.navigate(to)),
    /** Waits until nothing is asked of the server any more. */
    async settled() {
      await Promise.all(store.dispatch(api.util.getRunningQueriesThunk()));
      await Promise.all(store.dispatch(api.util.getRunningMutationsThunk()));
    },
  };
}

/** A field or button by its whole name. */
export const field = (name: string | RegExp) => screen.findByLabelText(name);
export const button = (name: string | RegExp) => screen.findByRole('button', { name });
