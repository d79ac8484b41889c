import type { PresentPerson } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { api } from '../sync/api/api.ts';
import { API, TAB } from '../sync/address/place.ts';
import { PRESENCE } from '../sync/live/useLive.ts';

const EVERY_MS = 20_000;

const { useSayPresentMutation, useSayGoneMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    sayPresent: build.mutation<PresentPerson[], string>({
      query: (place) => ({ url: 'presence', method: 'POST', body: { tab: TAB, place } }),
    }),
    sayGone: build.mutation<void, void>({ query: () => ({ url: `presence/${TAB}`, method: 'DELETE' }) }),
  }),
});

/** Says that this page is open, and shows who else has the same one open. */
export function Present({ place }: { place: string }) {
  const [say] = useSayPresentMutation();
  const [gone] = useSayGoneMutation();
  const [others, setOthers] = useState<readonly PresentPerson[]>([]);
  useEffect(() => {
    let isHere = true;
    const tell = () =>
      void say(place)
        .unwrap()
        .then((found) => isHere && setOthers(found))
        // Who is here is no reason for a notice; saving tells when the server is away.
        .catch(() => undefined);
    const heard = (event: Event) => {
      if ((event as CustomEvent<readonly string[]>).detail.includes(place)) tell();
    };
    // A page that is closed runs nothing more; what is under way by then still goes out.
    const leave = () =>
      void fetch(`${API}/presence/${TAB}`, { method: 'DELETE', keepalive: true }).catch(() => undefined);
    tell();
    globalThis.addEventListener('pagehide', leave);
    const timer = setInterval(tell, EVERY_MS);
    globalThis.addEventListener(PRESENCE, heard);
    return () => {
      isHere = false;
      clearInterval(timer);
      globalThis.removeEventListener(PRESENCE, heard);
      globalThis.removeEventListener('pagehide', leave);
      void gone();
    };
  }, [place, say, gone]);
  if (others.length === 0) return null;
  const names = [...new Set(others.map(({ who }) => who))];
  return (
    <p role="status" aria-label="Also here" className="no-print rounded bg-sunken px-2 py-0.5 text-sm">
      Also here: {names.slice(0, 3).map(inWords).join(', ')}
      {names.length > 3 && ` and ${names.length - 3} more`}
    </p>
  );
}

/** Without accounts nobody has a name: it is the same person or somebody beside them. */
const inWords = (who: string) => (who === 'this computer' ? 'another page on this computer' : who);
