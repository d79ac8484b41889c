/** Lines are told apart by their stroke as well as by their label. */
const STROKES = ['', '7 3', '2 3', '9 3 2 3', '4 4', '1 4'];

export const strokeOf = (index: number): string => STROKES[index % STROKES.length]!;
