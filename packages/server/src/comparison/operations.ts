import { compareFinalists } from '@anvilstone/core/decisions';
import {
  chancesFor,
  choose,
  evaluate,
  findRankingMethod,
  prepareSizing,
  readPreferences,
} from '@anvilstone/core/evaluation';
import { InputError, type UnitSystem } from '@anvilstone/core/foundations';
import type { Knex } from 'knex';
import { workshopLibrary } from '../evaluation/service.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
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
      summary:
        'Two to five grades (?grades=a,b) side by side for the brief as saved, as PDF; the choice by ?school=, ?weights= and ?sure= (a chance), in inches and pounds with ?units=inchPound',
      answer: { mediaType: 'application/pdf' },
      async handle({ params, query }) {
        const [{ brief }, library, { rules }] = await Promise.all([
          parts.get(params.partId!),
          workshopLibrary(db),
          companyRulesInForce(db),
        ]);
        const ids = (textOf(query, 'grades') ?? '').split(',').filter(Boolean);
        const units = unitsIn(textOf(query, 'units'));
        const comparison = orRefuse(() => compareFinalists(brief, library, ids, rules, units));
        const text = (name: 'school' | 'weights' | 'sure') => {
          const value = textOf(query, name);
          return value === undefined ? {} : { [name]: value };
        };
        const preferences = readPreferences({ ...text('school'), ...text('weights'), ...text('sure') }, rules);
        const rankingMethod = findRankingMethod(preferences.schoolId);
        const { grades } = evaluate(brief, library, { rules });
        const gradeOf = new Map(library.grades.map((grade) => [grade.id, grade]));
        const chanceOf = chancesFor(brief, library, rules);
        const sizing = rankingMethod.needsSizes ? prepareSizing(brief, library, rules) : undefined;
        const sized = sizing && new Map(library.grades.map((grade) => [grade.id, sizing.size(grade)]));
        const ranked = choose({ brief, library, rules }, grades, { preferences, ...(sized ? { sized } : {}) });
        const leader = ranked[0];
        const first = grades.find(({ gradeId }) => gradeId === leader?.gradeId);
        const body = await comparisonPdf(brief, comparison, library, rules, {
          brief,
          rankingMethod,
          ranked,
          first,
          chance: first && chanceOf(first),
          nameOf: (id) => gradeOf.get(id)?.name ?? id,
          machineNameOf: (id) => library.machines.find((machine) => machine.id === id)?.name ?? null,
          units,
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

function unitsIn(text = 'metric'): UnitSystem {
  if (text === 'metric' || text === 'inchPound') return text;
  throw invalidInput([{ pointer: '/units', detail: `“${text}” are no units`, accepted: 'metric or inchPound' }]);
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
