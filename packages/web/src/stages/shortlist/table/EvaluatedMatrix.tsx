import { useCallback, useEffect, useMemo, useRef, useState, type ComponentProps } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import { ReservesMatrix } from './ReservesMatrix.tsx';
import { useChances } from '../confidence/useChances.ts';
import { useEvaluated } from './useEvaluated.ts';

/** While the hand scrolls, what comes into sight is asked for this often at most. */
const LOOK_EVERY_MS = 120;
/** So many rows at least are on paper when a long list, with the heads of its groups, is cut off. */
const PRINTED_WITHOUT_GROUPS = 150;

type Given = Omit<ComponentProps<typeof ReservesMatrix>, 'evaluations' | 'chances' | 'onLook' | 'whole'>;

/** The matrix with the rows in sight worked out; it keeps what scrolling changes to itself, so that nothing round it is drawn anew. */
export function EvaluatedMatrix(given: Given) {
  const { brief, library } = usePartContext();
  const [inSight, onLook] = useThrottled<readonly string[]>([]);
  const evaluations = useEvaluated(brief, library, inSight);
  const ways = useMemo(
    () =>
      inSight.flatMap((gradeId) => {
        const best = evaluations.get(gradeId)?.best;
        return best ? [{ gradeId, orientation: best.orientation }] : [];
      }),
    [inSight, evaluations],
  );
  const chances = useChances(brief, library, ways);
  const { whole, print } = usePrintWhole(
    // Printed once every row that goes on paper has its numbers and its chance.
    inSight.length > 0 &&
      ways.length === inSight.length &&
      ways.every((one) => chances.has(`${one.gradeId} ${one.orientation}`)),
    inSight.length >= Math.min(given.shortlist.ids.length, PRINTED_WITHOUT_GROUPS),
  );
  return (
    <div className="print-wide">
      <ReservesMatrix {...given} evaluations={evaluations} chances={chances} onLook={onLook} whole={whole} />
      <p className="mt-1 text-right text-xs print:hidden">
        {whole ? (
          <span role="status">Preparing all rows for printing …</span>
        ) : (
          <button type="button" className="text-quiet underline hover:text-ink" onClick={print}>
            Print the whole list
          </button>
        )}
      </p>
    </div>
  );
}

/** Every row is laid out and worked out first, then printed, then let go again. */
function usePrintWhole(ready: boolean, all: boolean): { whole: boolean; print: () => void } {
  const [whole, setWhole] = useState(false);
  useEffect(() => {
    if (!whole || !ready || !all) return;
    const timer = setTimeout(() => {
      globalThis.print();
      setWhole(false);
    }, 100);
    return () => clearTimeout(timer);
  }, [whole, ready, all]);
  return { whole, print: useCallback(() => setWhole(true), []) };
}

/** The first value at once, later ones no more often than that; the last one always comes. */
function useThrottled<T>(initial: T): [T, (value: T) => void] {
  const [value, setValue] = useState(initial);
  const last = useRef({ at: 0, timer: undefined as ReturnType<typeof setTimeout> | undefined });
  useEffect(() => {
    const { current } = last;
    return () => clearTimeout(current.timer);
  }, []);
  const set = useCallback((next: T) => {
    const { current } = last;
    clearTimeout(current.timer);
    const take = () => {
      current.at = performance.now();
      setValue(next);
    };
    const wait = LOOK_EVERY_MS - (performance.now() - current.at);
    if (wait <= 0) take();
    else current.timer = setTimeout(take, wait);
  }, []);
  return [value, set];
}
