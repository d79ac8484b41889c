/** Width of a letter of the bars’ script, px: a little more than the usual one. */
const LETTER = 5.9;

/** As many of the names as have room, and how many more there are; one that has none is cut with an ellipsis. */
export function fitting(names: readonly string[], widthPx: number): string {
  const room = Math.floor(widthPx / LETTER);
  for (let shown = names.length; shown > 0; shown--) {
    const left = names.length - shown;
    const text = `${names.slice(0, shown).join(', ')}${left > 0 ? ` +${left}` : ''}`;
    if (text.length <= room) return text;
  }
  const more = names.length > 1 ? `${names.length} in it` : (names[0] ?? '');
  return more.length <= room ? more : room < 2 ? '' : `${more.slice(0, room - 1)}…`;
}
