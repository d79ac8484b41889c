import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { askFor, newestSearch } from './newestAddress.ts';
import { useAddress, useWholeAddress } from './useAddress.ts';

/** What the browser has come to; the router of a test that is as slow as it likes. */
const browserAt = (address: string) => history.replaceState(null, '', address);
const asked = (search: string) => askFor(new URLSearchParams(search));

describe('the newest search part', () => {
  test('is what was asked for last, until the browser has it', () => {
    browserAt('/slow?x=1');
    asked('x=2');
    expect(newestSearch()).toBe('x=2');
    asked('x=3');
    expect(newestSearch()).toBe('x=3');
    // The first of the two comes late: it is none of the newest.
    browserAt('/slow?x=2');
    expect(newestSearch()).toBe('x=3');
    browserAt('/slow?x=3');
    expect(newestSearch()).toBe('x=3');
  });

  test('is the browser’s as soon as that is somewhere else', () => {
    browserAt('/here?x=1');
    asked('x=2');
    browserAt('/elsewhere?y=1');
    expect(newestSearch()).toBe('y=1');
    browserAt('/here?x=1');
    asked('x=2');
    browserAt('/here?x=9');
    expect(newestSearch()).toBe('x=9');
  });

  test('may be what it was before a change that is taken back at once', () => {
    browserAt('/back?x=1');
    asked('x=2');
    asked('x=1');
    expect(newestSearch()).toBe('x=1');
    browserAt('/back?x=2');
    expect(newestSearch()).toBe('x=1');
  });

  test('does not depend on how it is written', () => {
    browserAt('/written?name=a%20b');
    expect(newestSearch()).toBe('name=a+b');
    asked('name=a+b&sort=cost');
    browserAt('/written?name=a%20b&sort=cost');
    expect(newestSearch()).toBe('name=a+b&sort=cost');
  });
});

/** A router that is asked and does nothing yet. */
function unmoved<T>(hook: () => T, at: string) {
  browserAt(at);
  function Page({ children }: { children: ReactNode }) {
    const router = createMemoryRouter([{ path: '*', element: children }], { initialEntries: [at] });
    router.navigate = () => Promise.resolve();
    return <RouterProvider router={router} />;
  }
  return renderHook(hook, { wrapper: Page }).result;
}

test('changes set one after the other all show and all hold before the router has moved', () => {
  const address = unmoved(() => useAddress(), '/hook?pin=a&sort=cost');
  const [, set] = address.current;
  act(() => set((newest) => ({ pin: `${newest.get('pin')},b` })));
  act(() => set((newest) => ({ pin: `${newest.get('pin')},c`, sort: null })));
  act(() => set({ find: 'abs', view: '' }));
  expect(address.current[0].toString()).toBe('pin=a%2Cb%2Cc&find=abs');
});

test('an address written as a whole keeps nothing of the one before', () => {
  const address = unmoved(() => useWholeAddress(), '/whole?q=old&family=abs');
  act(() => address.current[1](new URLSearchParams({ q: 'new' })));
  expect(address.current[0].toString()).toBe('q=new');
});
