import type { MeritWeights } from '@anvilstone/core/evaluation';
import { useCallback, useEffect, useState } from 'react';

const SETTLED_MS = 250;

/** Weights follow the hand at once; the address follows when the hand rests, since it cannot be written sixty times a second. */
export function useDraggedWeights(
  kept: MeritWeights,
  onKeep: (weights: MeritWeights) => void,
): [MeritWeights, (weights: MeritWeights) => void] {
  const [dragged, setDragged] = useState<MeritWeights | null>(null);
  useEffect(() => {
    if (!dragged) return;
    const timer = setTimeout(() => {
      onKeep(dragged);
      setDragged(null);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [dragged, onKeep]);
  return [dragged ?? kept, useCallback((weights: MeritWeights) => setDragged(weights), [])];
}
