import { useEffect, useState } from 'react';

export interface Frame {
  top: number;
  left: number;
  width: number;
  height: number;
}

const PAD_PX = 6;
/** Less often than the screen is drawn: a frame that follows a scroll a moment later does no harm. */
const LOOK_EVERY_MS = 120;

/** Where what is looked at stands on the screen, as long as it is there; it is brought into sight once. */
export function useFrame(selector: string): Frame | null {
  const [frame, setFrame] = useState<Frame | null>(null);
  useEffect(() => {
    let shown = false;
    const look = () => {
      const found = document.querySelector(selector);
      const box = found?.getBoundingClientRect();
      if (!found || !box || box.height === 0) return setFrame(null);
      if (!shown) found.scrollIntoView({ block: box.height > innerHeight * 0.6 ? 'start' : 'center' });
      shown = true;
      const next = {
        top: box.top - PAD_PX,
        left: box.left - PAD_PX,
        width: box.width + 2 * PAD_PX,
        height: box.height + 2 * PAD_PX,
      };
      setFrame((was) => (was && same(was, next) ? was : next));
    };
    const timer = setInterval(look, LOOK_EVERY_MS);
    return () => {
      clearInterval(timer);
      setFrame(null);
    };
  }, [selector]);
  return frame;
}

const same = (one: Frame, other: Frame) =>
  one.top === other.top && one.left === other.left && one.width === other.width && one.height === other.height;
