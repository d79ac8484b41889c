import type { Layup } from '@anvilstone/schema';
import { useCallback, useState } from 'react';

const key = (partId: string) => `anvilstone-layup-${partId}`;

const START: Layup = {
  format: 'anvilstone-layup/1',
  name: 'A first layup',
  plies: [
    { material: { towId: 'carbon-polyamide' }, angleDeg: 0, count: 2 },
    { material: { towId: 'carbon-polyamide' }, angleDeg: 90 },
  ],
  mirrored: true,
  // Above the glass transition of the strand’s matrix stresses relax.
  laidAtC: 55,
  serviceC: 23,
  loads: [{ name: 'Pulled along x', nxNPerMm: 50 }],
};

function remembered(partId: string): Layup {
  try {
    const text = localStorage.getItem(key(partId));
    return text === null ? START : (JSON.parse(text) as Layup);
  } catch {
    return START;
  }
}

/** The layup that is worked on, kept on this computer with the part, and back to what it was before. */
export function useLayup(partId: string) {
  const [history, setHistory] = useState<readonly Layup[]>(() => [remembered(partId)]);
  const layup = history.at(-1)!;
  const set = useCallback(
    (next: Layup) => {
      localStorage.setItem(key(partId), JSON.stringify(next));
      setHistory((before) => [...before.slice(-100), next]);
    },
    [partId],
  );
  const back = useCallback(() => {
    setHistory((before) => {
      const rest = before.length > 1 ? before.slice(0, -1) : before;
      localStorage.setItem(key(partId), JSON.stringify(rest.at(-1)));
      return rest;
    });
  }, [partId]);
  return { layup, set, back: history.length > 1 ? back : undefined };
}
