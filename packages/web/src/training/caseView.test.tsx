import { answerOf, practiceCases } from '@anvilstone/core/education';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { drawn, LEAKS, textOf, wordsOf } from '../testing/testPage.tsx';
import { CaseView } from './CaseView.tsx';
import { GradeFacts } from './GradeFacts.tsx';
import type { PracticeMark } from './progress.ts';

const ignore = () => undefined;
const view = (one: (typeof practiceCases)[number], mark?: PracticeMark, next?: string) =>
  drawn(<CaseView practiceCase={one} mark={mark} next={next} onAnswer={ignore} />);

describe.each(practiceCases.map((one) => [one.title, one] as const))('%s', (_title, one) => {
  const answer = answerOf(one);
  const name = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id)!.name;
  test('asks two questions and gives nothing away', () => {
    const root = view(one);
    expect(root.querySelectorAll('fieldset')).toHaveLength(2);
    expect(root.querySelectorAll('input[name=grade]')).toHaveLength(4);
    expect(root.querySelectorAll('input[name=check]')).toHaveLength(one.checkIds.length);
    expect(root.querySelectorAll('input[checked]')).toEqual([]);
    expect(textOf(root)).not.toContain(one.lesson);
    expect(root.querySelector('table')).toBeNull();
    const settle = root.querySelectorAll('button').find((button) => textOf(button) === 'Submit answer')!;
    expect(settle.hasAttribute('disabled')).toBe(true);
  });
  test('a right answer is called right, with the reckoning of all four', () => {
    const root = view(one, { gradeId: answer.best.gradeId, checkId: answer.governingCheckId, right: true }, 'next');
    expect(textOf(root.querySelector('h3')!)).toMatch(
      new RegExp(`^Right: ${name(answer.best.gradeId).replace(/[().+]/g, '.')}, governed by `),
    );
    expect(root.querySelectorAll('tbody tr')).toHaveLength(4);
    expect(textOf(root)).toContain(one.lesson);
    expect(root.querySelector('a[href="/training/next"]')).not.toBeNull();
  });
  test('a wrong one says what it is, what was missed, and marks one’s own choice', () => {
    const wrong = one.gradeIds.find((id) => id !== answer.best.gradeId)!;
    const root = view(one, { gradeId: wrong, checkId: answer.governingCheckId, right: false });
    expect(textOf(root.querySelector('h3')!)).toMatch(/^It is /);
    expect(textOf(root)).toContain('Your choice is listed below.');
    const own = root.querySelectorAll('tbody tr').filter((row) => textOf(row).includes('your choice'));
    expect(own.map((row) => textOf(row).startsWith(name(wrong)))).toEqual([true]);
  });
  test('the right grade for the wrong reason is not called right', () => {
    const other = one.checkIds.find((id) => id !== answer.governingCheckId)!;
    const root = view(one, { gradeId: answer.best.gradeId, checkId: other, right: false });
    expect(textOf(root)).toContain('You chose the right grade. What decides its reserve is not');
  });
  test('shows no code', () => expect(wordsOf(view(one)).filter((text) => LEAKS.test(text))).toEqual([]));
});

test('a data sheet’s facts come with the conditions it states, and gaps are said', () => {
  const facts = (id: string) =>
    textOf(drawn(<GradeFacts grade={sampleLibrary.grades.find((grade) => grade.id === id)!} />));
  for (const { id } of sampleLibrary.grades) expect(facts(id)).toMatch(/Tensile strength.*(\d|not stated).*HDT/);
  const bare = { ...sampleLibrary.grades[0]!, observations: [], pricePerKgUsd: null };
  expect(textOf(drawn(<GradeFacts grade={bare} />)).match(/not stated/g)).toHaveLength(4);
});
