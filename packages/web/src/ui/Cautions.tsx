import { cautionsFor, SHEET_FIRST, type CautionPlace } from '@anvilstone/core/machines';
import { completeRules, findAgent } from '@anvilstone/core/materials';
import type { Agent, Brief, Grade, CompanyRules } from '@anvilstone/schema';

/** The cautions that a brief, a grade or both trigger, where they are looked at; people's first. */
export function Cautions({
  place,
  brief,
  grade,
  rules,
  agents = [],
}: {
  place: CautionPlace;
  brief?: Brief;
  grade?: Grade | undefined;
  rules?: CompanyRules;
  agents?: readonly Agent[] | undefined;
}) {
  const shown = cautionsFor(place, {
    agent: (id) => agents.find((one) => one.id === id) ?? findAgent(id),
    ...(brief ? { brief } : {}),
    ...(grade ? { grade } : {}),
    ...(rules ? { rules: completeRules(rules) } : {}),
  })
    // The part's header says this one wherever the part is shown.
    .filter(({ id }) => id !== 'proof-test');
  if (shown.length === 0) return null;
  return (
    <section
      aria-label="Cautions"
      className="rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown"
    >
      <h3 className="text-sm">Cautions</h3>
      <ul className="list-disc pl-5">
        {shown.map(({ id, protects, text }) => (
          <li key={id} className={protects === 'people' ? 'font-medium' : ''}>
            {text}
          </li>
        ))}
        {grade && <li>{SHEET_FIRST}</li>}
      </ul>
    </section>
  );
}
