import type { Amount, Phrase, Statement } from '@anvilstone/schema';
import { formatQuantity } from '../units/formatQuantity.ts';
import type { UnitSystem } from '../units/dimensions.ts';

/** What may stand in a sentence: a word, a number as it is to be read, an amount, or another statement. */
type Piece = string | number | Amount | Statement;

const isPhrase = (piece: Piece): piece is Phrase => typeof piece === 'object' && 'says' in piece;
const isAmount = (piece: Piece): piece is Amount => typeof piece === 'object' && 'dimension' in piece;

/**
 * A sentence with its amounts kept as data: say`Brittle below ${celsius(-10)}`. Whoever shows it chooses the units, by
 * `inWords`. Without an amount it is the sentence itself.
 */
export function say(words: TemplateStringsArray, ...pieces: readonly Piece[]): Statement {
  if (!pieces.some((piece) => typeof piece === 'object')) return String.raw({ raw: words }, ...pieces);
  const builder = new PhraseBuilder();
  builder.addWords(words[0]!);
  pieces.forEach((piece, i) => {
    builder.add(piece);
    builder.addWords(words[i + 1]!);
  });
  return builder.phrase;
}

/** Several statements as one. */
export function joined(statements: readonly Statement[], between: string): Statement {
  if (statements.every((one) => typeof one === 'string')) return statements.join(between);
  const builder = new PhraseBuilder();
  statements.forEach((one, i) => {
    if (i > 0) builder.addWords(between);
    builder.add(one);
  });
  return builder.phrase;
}

/** Collects words and values; a phrase within a phrase becomes part of it, its places numbered anew. */
class PhraseBuilder {
  #says = '';
  readonly #values: (Amount | string)[] = [];

  get phrase(): Phrase {
    return { says: this.#says, values: this.#values };
  }

  addWords(words: string): void {
    this.#says += words;
  }

  add(piece: Piece): void {
    if (isPhrase(piece)) {
      const first = this.#values.length;
      this.#says += piece.says.replace(PLACE, (_all, place: string) => `{${first + Number(place)}}`);
      this.#values.push(...piece.values);
      return;
    }
    this.#says += `{${this.#values.length}}`;
    this.#values.push(isAmount(piece) ? piece : String(piece));
  }
}

const PLACE = /\{(\d+)\}/g;

/** A statement as it is read, its amounts in the reader’s units. */
export function inWords(statement: Statement, units: UnitSystem = 'metric'): string {
  if (typeof statement === 'string') return statement;
  return statement.says.replace(PLACE, (all, place: string) => {
    const value = statement.values[Number(place)];
    if (value === undefined) return all;
    return typeof value === 'string' ? value : shown(value, units);
  });
}

function shown({ value, dimension, digits, bare }: Amount, units: UnitSystem): string {
  const text = formatQuantity(value, dimension, units, digits);
  return bare ? text.split(' ')[0]! : text;
}

/** Each statement once, in the order in which it came first. */
export function distinct(statements: readonly Statement[]): Statement[] {
  if (statements.length < 2) return [...statements];
  return [...new Map(statements.map((one) => [inWords(one), one])).values()];
}
