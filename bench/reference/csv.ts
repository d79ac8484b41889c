/** A table of numbers read by splitting it: no quotes, no units, no conditions, nothing judged. The least that reading can be. */
export function splitTable(text: string): Record<string, string | number>[] {
  const [head = '', ...lines] = text.trim().split('\n');
  const names = head.split(';');
  return lines.map((line) =>
    Object.fromEntries(
      line.split(';').map((cell, i) => {
        const number = Number(cell.replace(',', '.'));
        return [names[i] ?? String(i), Number.isNaN(number) ? cell : number];
      }),
    ),
  );
}
