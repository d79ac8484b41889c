import type { Page } from '@playwright/test';

/**
 * Texts that stand out too little from what is behind them, by WCAG 2.2 1.4.3: 4.5 to 1, for large ones 3 to 1. Looks at the nearest
 * background that is painted around a text; what lies over what was looked at by axe in the light, and a theme changes colours only.
 */
export const faintTexts = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    type Rgba = readonly [number, number, number, number];
    const canvas = new OffscreenCanvas(1, 1).getContext('2d', { willReadFrequently: true })!;
    const known = new Map<string, Rgba>();
    const read = (colour: string): Rgba => {
      let found = known.get(colour);
      if (!found) {
        canvas.clearRect(0, 0, 1, 1);
        canvas.fillStyle = colour;
        canvas.fillRect(0, 0, 1, 1);
        const [r, g, b, a] = canvas.getImageData(0, 0, 1, 1).data;
        known.set(colour, (found = [r!, g!, b!, a! / 255]));
      }
      return found;
    };
    const over = (top: Rgba, under: Rgba, share = top[3]): Rgba => {
      const mixed = [0, 1, 2].map((i) => top[i]! * share + under[i]! * (1 - share));
      return [mixed[0]!, mixed[1]!, mixed[2]!, 1];
    };
    const grounds = new Map<Element, { ground: Rgba; share: number }>();
    /** The paint behind what an element holds, and how much of it shows. */
    const around = (element: Element | null): { ground: Rgba; share: number } => {
      if (!element) return { ground: [255, 255, 255, 1], share: 1 };
      let found = grounds.get(element);
      if (!found) {
        const { backgroundColor, opacity } = getComputedStyle(element);
        const { ground, share } = around(element.parentElement);
        const own = read(backgroundColor);
        found = { ground: own[3] === 0 ? ground : over(own, ground), share: share * Number(opacity) };
        grounds.set(element, found);
      }
      return found;
    };
    const luminance = (colour: Rgba) => {
      const [r, g, b] = [0, 1, 2].map((i) => {
        const part = colour[i]! / 255;
        return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
      });
      return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
    };
    const contrast = (a: Rgba, b: Rgba) => {
      const [bright, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
      return (bright! + 0.05) / (dark! + 0.05);
    };
    const faint: string[] = [];
    for (const element of document.body.querySelectorAll<HTMLElement>('*')) {
      const isText = [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.nodeValue!.trim());
      if (!isText || element.closest('svg, :disabled, [aria-disabled=true], option')) continue;
      const style = getComputedStyle(element);
      const box = element.getBoundingClientRect();
      // Read out and never seen.
      if (style.visibility !== 'visible' || box.width <= 1 || box.height <= 1) continue;
      const { ground, share } = around(element);
      const ink = read(style.color);
      const size = parseFloat(style.fontSize);
      const isLarge = size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700);
      const found = contrast(over(ink, ground, ink[3] * share), ground);
      if (found < (isLarge ? 3 : 4.5)) faint.push(`${found.toFixed(2)} to 1: ${element.outerHTML.slice(0, 160)}`);
    }
    return faint;
  });
