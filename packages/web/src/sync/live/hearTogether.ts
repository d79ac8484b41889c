import type { LiveEvent } from '@anvilstone/schema';
import { API, PREFIX } from '../address/place.ts';

type Hear = (events: readonly LiveEvent[]) => void;

/**
 * Hears what is changed. A browser keeps some six connections to a server, and a page that listens holds one for good: so of all pages of a
 * workspace that are open here one listens and tells the others, and the next takes over when it is closed.
 */
export function hearTogether(hear: Hear): () => void {
  const channel = new BroadcastChannel(`anvilstone live ${PREFIX}`);
  channel.onmessage = ({ data }: MessageEvent<readonly LiveEvent[]>) => hear(data);
  const listen = () =>
    listenTo((events) => {
      hear(events);
      channel.postMessage(events);
    });
  const leaving = new AbortController();
  // Only where the connection is encrypted or the server is on this computer; elsewhere each page listens for itself.
  const locks = (navigator as { locks?: LockManager }).locks;
  if (locks)
    void locks
      .request(`anvilstone live ${PREFIX}`, { signal: leaving.signal }, () => {
        const stop = listen();
        return new Promise<void>((resolve) =>
          leaving.signal.addEventListener('abort', () => {
            stop();
            resolve();
          }),
        );
      })
      .catch(() => undefined);
  else leaving.signal.addEventListener('abort', listenTo(hear));
  return () => {
    leaving.abort();
    channel.close();
  };
}

function listenTo(hear: Hear): () => void {
  const source = new EventSource(`${API}/live`);
  let wasOpen = false;
  source.onopen = () => {
    // What was told while nobody listened is not told again.
    if (wasOpen) hear([{ kind: '*' }]);
    wasOpen = true;
  };
  source.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as LiveEvent[]);
  return () => source.close();
}
