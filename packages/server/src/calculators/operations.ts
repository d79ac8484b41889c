import { calculators, findCalculator } from '@anvilstone/core/education';
import { validator } from '@anvilstone/schema/validate';
import { Type } from '@sinclair/typebox';
import type { Operation } from '../http/operation.ts';
import { invalidInput, notFound } from '../http/problems.ts';

const described = Type.Object({
  id: Type.String(),
  title: Type.String(),
  source: Type.String(),
  example: Type.Any(),
  input: Type.Any(),
  output: Type.Any(),
});

/** Every formula of the core by itself. */
export const calculatorOperations: Operation[] = [
  {
    id: 'listCalculators',
    method: 'get',
    path: '/calculators',
    summary: 'Every formula that can be run by itself, with its schemas',
    answer: Type.Array(described),
    handle: () =>
      Promise.resolve({
        body: calculators.map(({ run: _run, ...described }) => described),
      }),
  },
  {
    id: 'runCalculator',
    method: 'post',
    path: '/calculators/:calculatorId',
    needs: 'viewer',
    summary: 'Run one formula',
    body: Type.Object({}, { description: 'Input as described by the calculator' }),
    answer: Type.Object({}),
    handle({ params, body }) {
      const calculator = findCalculator(params.calculatorId!);
      if (!calculator) throw notFound('calculator', params.calculatorId!);
      const checked = validator(calculator.input)(body);
      if (!checked.ok) throw invalidInput(checked.issues);
      return Promise.resolve({ body: calculator.run(checked.value) });
    },
  },
];
