/** A value that is longer than this goes by a number. */
const SHORT = 60;
/** So many long values are told apart; of older ones the same content gets another number, and is asked for anew. */
const MOST = 500;

/** Short names for values, so that questions which hold whole briefs have keys of a line. */
export class Names {
  #given = 0;
  readonly #identities = new WeakMap<object, number>();
  readonly #contents = new WeakMap<object, string>();
  readonly #numbers = new Map<string, number>();

  ofIdentity(value: object): number {
    const number = this.#identities.get(value) ?? ++this.#given;
    this.#identities.set(value, number);
    return number;
  }

  /** The same for values that are written alike. Objects are taken never to change. */
  ofContent(value: unknown): string {
    if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'undefined';
    const known = this.#contents.get(value);
    if (known !== undefined) return known;
    const text = JSON.stringify(value);
    const name = text.length <= SHORT ? text : `#${this.#numberOf(text)}`;
    this.#contents.set(value, name);
    return name;
  }

  #numberOf(text: string): number {
    const number = this.#numbers.get(text) ?? ++this.#given;
    this.#numbers.delete(text);
    this.#numbers.set(text, number);
    if (this.#numbers.size > MOST) this.#numbers.delete(this.#numbers.keys().next().value!);
    return number;
  }
}
