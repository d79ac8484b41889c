import type { Brief } from '@anvilstone/schema';

/** A brief to start another part from: under a name of its own, and no template itself. */
export function copyOf(brief: Brief, title: string): Brief {
  const { template: _not, ...rest } = brief;
  return { ...rest, title: title.slice(0, 200) };
}

/** The next free “Bracket (2)”. */
export function copyTitle(title: string, taken: readonly string[]): string {
  const stem = title.replace(/ \(\d+\)$/, '').slice(0, 190);
  let number = 2;
  while (taken.includes(`${stem} (${number})`)) number += 1;
  return `${stem} (${number})`;
}

/** A file name that every system takes: “Lamp arm, pylon 7” → “lamp-arm-pylon-7.json”. */
export function fileNameOf(brief: Brief): string {
  const stem = brief.title
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '');
  return `${stem || 'brief'}.json`;
}
