import type { ImportQuestion } from '@anvilstone/schema';

type Choice = ImportQuestion['choices'][number];
export interface Asked {
  id: string;
  kind: ImportQuestion['kind'];
  text: string;
  detail: string;
  choices: readonly Choice[];
}

const MOST_EXAMPLES = 5;

/** Questions that arise while reading, one for each matter however many cells it touches, with the answers given so far. */
export class Questions {
  private readonly asked = new Map<string, ImportQuestion>();
  private readonly answers: Readonly<Record<string, string>>;
  constructor(answers: Readonly<Record<string, string>>) {
    this.answers = answers;
  }

  /** The answer, or undefined while there is none that belongs to the choices. `make` runs only the first time. */
  ask(id: string, make: () => Omit<Asked, 'id'>, example: { line: number; text: string }): string | undefined {
    let question = this.asked.get(id);
    if (!question) {
      const { choices, ...rest } = make();
      const given = this.answers[id];
      const answer = given !== undefined && choices.some((choice) => choice.id === given) ? given : null;
      question = { id, ...rest, choices: [...choices], answer, count: 0, examples: [] };
      this.asked.set(id, question);
    }
    question.count += 1;
    if (question.examples.length < MOST_EXAMPLES) question.examples.push(example);
    return question.answer ?? undefined;
  }

  list(): ImportQuestion[] {
    return [...this.asked.values()];
  }
}
