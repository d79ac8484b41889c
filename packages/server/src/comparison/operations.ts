import { chanceOfMeetingAll, compareFinalists, evaluate, findSchool, InputError, rank } from '@anvilstone/core';
import type { Knex } from 'knex';
import { workshopLibrary } from '../evaluation/service.ts';
import { houseRulesInForce } from '../houseRules/repository.ts';
import type { Operation } from '../http/operation.ts';
import { invalidInput } from '../http/problems.ts';
import { textOf } from '../http/query.ts';
import type { PartService } from '../parts/service.ts';
import { comparisonPdf } from './comparisonPdf.ts';

/** A few grades side by side for a part, typeset. */
export function comparisonOperations(db: Knex, parts: PartService): Operation[] {
  return [
    {
      id: 'exportComparisonPDF',
      method: 'get',
      path: '/parts/:partId/comparison.pdf',
      summary: 'Two to five grades (?grades=a,b) side by side for the brief as saved, as PDF',
      answer: { mediaType: 'application/pdf' },
      async handle({ params, query }) {
        const [{ brief }, library, { rules }] = await Promise.all([
          parts.get(params.partId!),
          workshopLibrary(db),
          houseRulesInForce(db),
        ]);
        const ids = (textOf(query, 'grades') ?? '').split(',').filter(Boolean);
        const comparison = orRefuse(() => compareFinalists(brief, library, ids, rules));
        const school = findSchool(rules.rankingSchool);
        const ranked = rank(evaluate(brief, library, { rules }).grades, school.id);
        const first = ranked[0];
        const leader = library.grades.find(({ id }) => id === first?.gradeId);
        const body = await comparisonPdf(brief, comparison, library, rules, {
          brief,
          school,
          ranked,
          first,
          chance:
            first &&
            leader &&
            chanceOfMeetingAll(brief, library, leader, first.best.orientation, { rules, draws: 4000 }),
          nameOf: (id) => library.grades.find((grade) => grade.id === id)?.name ?? id,
          machineNameOf: (id) => library.machines.find((machine) => machine.id === id)?.name ?? null,
          units: 'metric',
        });
        return {
          body,
          headers: {
            'Content-Type': 'application/pdf',
            'Content-Disposition': 'attachment; filename="comparison.pdf"',
          },
        };
      },
    },
  ];
}

/** What the computation refuses is the asker’s to mend. */
function orRefuse<T>(make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw invalidInput([{ pointer: `/${error.field}`, detail: error.message, accepted: error.accepted }]);
  }
}
