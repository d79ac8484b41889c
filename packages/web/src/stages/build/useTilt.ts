import type { Tilt } from '@anvilstone/core/evaluation';
import { useEffect, useMemo, useState } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';

const SETTLED_MS = 250;

/** How far the part is tipped, at once while it is dragged; the address follows when the hand rests. */
export function useTilt(): [Tilt, (tilt: Tilt) => void] {
  const [search, set] = useAddress();
  const [dragged, setDragged] = useState<Tilt | null>(null);
  const text = search.get('tilt');
  const kept = useMemo((): Tilt => {
    const [degrees, towards] = (text ?? '').split('-');
    const number = Number(degrees);
    const usable = text !== null && Number.isFinite(number) && number >= 0 && number <= 90;
    return { degrees: usable ? number : 45, towards: towards === 'XZ' ? 'XZ' : 'ZX' };
  }, [text]);
  useEffect(() => {
    if (!dragged) return;
    const timer = setTimeout(() => {
      set({ tilt: `${dragged.degrees}-${dragged.towards}` }, true);
      setDragged(null);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [dragged, set]);
  return [dragged ?? kept, setDragged];
}
