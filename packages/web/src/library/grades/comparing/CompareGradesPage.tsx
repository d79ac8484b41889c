import { PROPERTY_DEFINITIONS, PROPERTY_GROUPS, reportedText, uncarriedDifferences } from '@anvilstone/core/materials';
import type { Grade, Observation, PropertyComparison } from '@anvilstone/schema';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { skipToken } from '@reduxjs/toolkit/query';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { Choice } from '../../../ui/fields.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { Evidence } from '../../../ui/Reserve.tsx';
import { useLibrary } from '../../../workers/useLibrary.ts';
import { PageHead } from '../../../ui/PageHead.tsx';
import { ConditionChooser } from './ConditionChooser.tsx';
import { conditionWords, SOURCE_WORDS } from '../conditionWords.ts';
import { fillerText } from '../list/gradeFilter.ts';
import { useGradeComparisonQuery } from '../gradesApi.ts';
import { differenceText, propertyText } from '../propertyText.ts';
import { resolvedRows, type ResolvedRow } from '../resolvedRows.ts';

/** Two grades like for like. Reported numbers get a percentage only where their conditions are alike; else the reasons stand there. */
export function CompareGradesPage() {
  const [address, set] = useAddress();
  const { library, error: libraryError } = useLibrary();
  const [first, second] = [address.get('first') ?? '', address.get('second') ?? ''];
  const { currentData: comparison, error } = useGradeComparisonQuery(first && second ? { first, second } : skipToken);
  const problem = libraryError ?? error;
  if (problem) {
    return (
      <main className="p-5">
        <ProblemNotice error={problem} />
      </main>
    );
  }
  if (!library) return <Loading what="the grades" />;
  const options = [
    { value: '', label: 'Choose a grade' },
    ...library.grades.map(({ id, name }) => ({ value: id, label: name })),
  ];
  const [a, b] = [first, second].map((id) => library.grades.find((grade) => grade.id === id));
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/grades" className="text-quiet hover:underline">
          ← All grades
        </Link>
      </p>
      <PageHead
        title="Compare two grades"
        says="Percentages only where both were measured the same way; otherwise the differences in method."
      />
      <div className="mb-3 grid max-w-220 grid-cols-2 narrow:grid-cols-1 gap-4">
        <Choice
          label="First (baseline, 100 %)"
          value={first}
          options={options}
          onChange={(id) => set({ first: id }, true)}
        />
        <Choice label="Second" value={second} options={options} onChange={(id) => set({ second: id }, true)} />
      </div>
      {a && b && a.id === b.id && <p className="text-quiet">Choose a different second grade.</p>}
      {a && b && a.id !== b.id && comparison && (
        <>
          <AsReported properties={comparison.properties} first={a} second={b} />
          <AtOneCondition first={a} second={b} rules={library.rules} />
        </>
      )}
      {a && b && a.id !== b.id && !comparison && <Loading what="the comparison" />}
    </main>
  );
}

const headLook = 'px-3 py-1.5 text-left text-xs font-normal text-quiet';

function AsReported({
  properties,
  first,
  second,
}: {
  properties: readonly PropertyComparison[];
  first: Grade;
  second: Grade;
}) {
  const compared = properties.filter(({ verdict }) => verdict === 'compared').length;
  const refused = properties.filter(({ verdict }) => verdict === 'refused').length;
  return (
    <section aria-label="As reported" className="mb-6">
      <h2 className="text-base">As reported</h2>
      <p className="mb-2 text-sm text-quiet">
        {compared} {compared === 1 ? 'pair compares' : 'pairs compare'}, {refused} {refused === 1 ? 'is' : 'are'} not
        compared: the conditions differ.
      </p>
      <table className="w-full table-fixed rounded-md border border-line bg-surface text-sm">
        <thead>
          <tr className="border-b border-line">
            <th scope="col" className={`${headLook} w-48`}>
              Property
            </th>
            <th scope="col" className={headLook}>
              {first.name}
            </th>
            <th scope="col" className={headLook}>
              {second.name}
            </th>
            <th scope="col" className={headLook}>
              Second against first
            </th>
          </tr>
        </thead>
        {PROPERTY_GROUPS.map((group) => {
          const of = properties.filter(({ property }) => PROPERTY_DEFINITIONS[property].group === group);
          if (of.length === 0) return null;
          return (
            <tbody key={group}>
              {of.map((row) => (
                <tr key={row.property} className="border-t border-line align-top">
                  <th scope="row" className="px-3 py-1.5 text-left font-normal">
                    {PROPERTY_DEFINITIONS[row.property].title}
                  </th>
                  <td className="px-3 py-1.5">
                    <Report observation={row.first} />
                  </td>
                  <td className="px-3 py-1.5">
                    <Report observation={row.second} />
                  </td>
                  <td className="px-3 py-1.5">
                    <Verdict row={row} base={first.name} />
                  </td>
                </tr>
              ))}
            </tbody>
          );
        })}
      </table>
    </section>
  );
}

function Report({ observation }: { observation: Observation | null }) {
  if (!observation) return <span className="text-unknown">not reported</span>;
  return (
    <>
      <span className="font-semibold">{reportedText(observation)}</span>
      {observation.standardDeviation !== undefined && ` ± ${observation.standardDeviation}`}
      <span className="block text-xs text-quiet">
        {conditionWords(observation)
          .map(({ text }) => text)
          .join(', ')}
      </span>
      <span className="block text-xs text-quiet">
        {SOURCE_WORDS[observation.source]}: {observation.reference}
      </span>
    </>
  );
}

function Verdict({ row, base }: { row: PropertyComparison; base: string }) {
  if (row.verdict === 'missing') return <span className="text-quiet">only one of them is reported</span>;
  if (row.verdict === 'refused') {
    return (
      <div className="text-fail">
        <span className="font-semibold">✕ Not comparable</span>
        <ul className="text-xs">
          {row.differences.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      </div>
    );
  }
  return (
    <div>
      <span className="font-semibold">
        {row.percent === null
          ? row.first?.classValue === row.second?.classValue
            ? 'equal'
            : 'different classes'
          : differenceText(row.percent)}
      </span>
      {row.percent !== null && Math.abs(row.percent) >= 0.05 && <span className="text-xs text-quiet"> of {base}</span>}
      {row.remarks.map((text) => (
        <span key={text} className="block text-xs text-quiet">
          {text}
        </span>
      ))}
    </div>
  );
}

/** Both brought to one condition by documented factors: comparable by construction, as sure as the weaker evidence. */
function AtOneCondition({
  first,
  second,
  rules,
}: {
  first: Grade;
  second: Grade;
  rules: Parameters<typeof resolvedRows>[2];
}) {
  const { at } = useAppSelector((state) => state.gradesView);
  const units = useAppSelector((state) => state.settings.units);
  const rows = useMemo(() => {
    const others = resolvedRows(second, at, rules);
    return resolvedRows(first, at, rules).map((a, i) => ({ a, b: others[i]! }));
  }, [first, second, at, rules]);
  const known = rows.filter(({ a, b }) => a.evidence !== null || b.evidence !== null);
  return (
    <section aria-label="At one condition">
      <div className="mb-2 flex items-end justify-between gap-4">
        <div>
          <h2 className="text-base">Adjusted to one condition</h2>
          <p className="text-sm text-quiet">
            Values used by the checks, adjusted where needed. A difference between two estimates (D) reflects the
            families, not these grades.
          </p>
        </div>
        <ConditionChooser />
      </div>
      <table className="w-full rounded-md border border-line bg-surface text-sm">
        <thead>
          <tr className="border-b border-line">
            {['Property', first.name, second.name, 'Second against first'].map((title) => (
              <th key={title} scope="col" className={headLook}>
                {title}
              </th>
            ))}
          </tr>
          <tr className="border-b border-line text-xs text-quiet">
            <th scope="row" className="px-3 py-1 text-left font-normal">
              Filler
            </th>
            <td className="px-3">{fillerText(first)}</td>
            <td className="px-3">{fillerText(second)}</td>
            <td />
          </tr>
        </thead>
        <tbody>
          {known.map(({ a, b }) => {
            const { property } = a.column;
            return (
              <tr key={a.column.id} className="border-b border-line last:border-0">
                <th scope="row" className="px-3 py-1 text-left font-normal">
                  {a.column.title}
                </th>
                {[a, b].map((row, i) => (
                  <td key={i} className="px-3 py-1">
                    {row.evidence === null ? (
                      <span className="text-unknown">unknown</span>
                    ) : (
                      propertyText(row.value, property, units)
                    )}{' '}
                    <Evidence evidence={row.evidence} />
                  </td>
                ))}
                <td className={`px-3 py-1 ${a.evidence === 'D' && b.evidence === 'D' ? 'text-quiet' : ''}`}>
                  <ResolvedVerdict a={a} b={b} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function ResolvedVerdict({ a, b }: { a: ResolvedRow; b: ResolvedRow }) {
  const { property, parameters } = a.column;
  if (a.evidence === null || b.evidence === null) return <span className="text-unknown">unknown</span>;
  const used = ({ observations, usedId }: ResolvedRow) => observations.find(({ id }) => id === usedId);
  const differences = uncarriedDifferences(property, used(a), used(b), parameters);
  if (differences.length > 0) {
    return (
      <div className="text-fail">
        <span className="font-semibold">✕ Not comparable</span>
        <span className="block text-xs">{differences.map(({ text }) => text).join('; ')}</span>
      </div>
    );
  }
  if (PROPERTY_DEFINITIONS[property].classes) return a.value === b.value ? 'equal' : 'different classes';
  const isTemperature = PROPERTY_DEFINITIONS[property].dimension === 'temperature';
  if (!Number.isFinite(a.value) || !Number.isFinite(b.value) || (a.value === 0 && !isTemperature)) return '';
  return resolvedDifference(a.value, b.value, property);
}

/** Of temperatures the difference in kelvin: a percentage of a Celsius number would mean nothing. */
function resolvedDifference(a: number, b: number, property: PropertyComparison['property']): string {
  if (PROPERTY_DEFINITIONS[property].dimension === 'temperature') {
    const kelvin = Math.round((b - a) * 10) / 10;
    return kelvin === 0 ? 'equal' : `${kelvin > 0 ? '+ ' : '− '}${Math.abs(kelvin)} K`;
  }
  return differenceText(100 * (b / a - 1));
}
