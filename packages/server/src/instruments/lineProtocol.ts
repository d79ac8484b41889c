/**
 * How instruments speak: lines of plain text over a socket, one question a line, one or more lines in answer.
 *   WORD key=value key=value*hh
 * Values are percent-encoded; hh is the exclusive-or of every byte before the star, in hexadecimal, so that a damaged line is known
 * to be one. docs/formats.md has every word.
 */
export interface Line {
  word: string;
  fields: Readonly<Record<string, string>>;
}

export function writeLine(word: string, fields: Readonly<Record<string, string | number>> = {}): string {
  const body = [word, ...Object.entries(fields).map(([key, value]) => `${key}=${encodeURIComponent(value)}`)].join(' ');
  return `${body}*${checksum(body)}`;
}

/** Undefined: damaged, or not a line of this protocol. */
export function readLine(text: string): Line | undefined {
  const star = text.lastIndexOf('*');
  if (
    star < 0 ||
    checksum(text.slice(0, star)) !==
      text
        .slice(star + 1)
        .trim()
        .toLowerCase()
  )
    return undefined;
  const [word, ...pairs] = text.slice(0, star).split(' ');
  if (!word || !/^[A-Z]+$/.test(word)) return undefined;
  const fields = new Map<string, string>();
  for (const pair of pairs) {
    const equals = pair.indexOf('=');
    if (equals < 1) return undefined;
    try {
      fields.set(pair.slice(0, equals), decodeURIComponent(pair.slice(equals + 1)));
    } catch {
      return undefined;
    }
  }
  return { word, fields: Object.fromEntries(fields) };
}

function checksum(text: string): string {
  let sum = 0;
  for (const byte of Buffer.from(text)) sum ^= byte;
  return sum.toString(16).padStart(2, '0');
}
