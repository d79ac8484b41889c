import { PROPERTY_DEFINITIONS, PROPERTY_GROUPS } from '@anvilstone/core/materials';
import type { Grade, CompanyRules } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Tick } from '../../../ui/fields.tsx';
import { Evidence } from '../../../ui/Reserve.tsx';
import { Term } from '../../../ui/Term.tsx';
import { ObservationTable } from './ObservationTable.tsx';
import { propertyText } from '../propertyText.ts';
import { resolvedRows, type ResolvedRow } from '../resolvedRows.ts';
import { useSay } from '../../../ui/useSay.ts';

/** Property by property: the value used, how sure it is, where it comes from, and every report behind it. */
export function EvidencePanel({ grade, rules }: { grade: Grade; rules: CompanyRules }) {
  const at = useAppSelector((state) => state.gradesView.at);
  const [gapsToo, setGapsToo] = useState(true);
  const [openId, setOpenId] = useState<string | null>(null);
  const rows = useMemo(() => resolvedRows(grade, at, rules), [grade, at, rules]);
  const gaps = rows.filter((row) => row.evidence === null && row.observations.length === 0).length;
  const shown = gapsToo ? rows : rows.filter((row) => row.evidence !== null || row.observations.length > 0);
  return (
    <section aria-label="Evidence">
      <Tick label={`Show properties without any value (${gaps} gaps)`} checked={gapsToo} onChange={setGapsToo} />
      <table className="mt-2 w-full text-sm">
        <thead>
          <tr className="border-b border-line text-left text-xs text-quiet">
            <th scope="col" className="py-1 font-normal">
              Property
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              Value used
            </th>
            <th scope="col" className="px-2 font-normal">
              <Term means="A and B: measured at this condition. C: adjusted from another condition. D: typical of the family.">
                Evidence
              </Term>
            </th>
            <th scope="col" className="px-2 text-right font-normal">
              <Term means="Coefficient of variation: how far single parts scatter about the value, as a share of it.">
                Scatter
              </Term>
            </th>
            <th scope="col" className="px-2 font-normal">
              Where from
            </th>
          </tr>
        </thead>
        {PROPERTY_GROUPS.map((group) => {
          const of = shown.filter((row) => PROPERTY_DEFINITIONS[row.column.property].group === group);
          if (of.length === 0) return null;
          return (
            <tbody key={group}>
              <tr>
                <th colSpan={5} scope="rowgroup" className="pt-3 pb-0.5 text-left text-xs text-quiet uppercase">
                  {group}
                </th>
              </tr>
              {of.map((row) => (
                <PropertyRows
                  key={row.column.id}
                  row={row}
                  open={openId === row.column.id}
                  onToggle={() => setOpenId((before) => (before === row.column.id ? null : row.column.id))}
                />
              ))}
            </tbody>
          );
        })}
      </table>
    </section>
  );
}

function PropertyRows({ row, open, onToggle }: { row: ResolvedRow; open: boolean; onToggle: () => void }) {
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const { column, evidence, value, cov, observations } = row;
  const { means } = PROPERTY_DEFINITIONS[column.property];
  return (
    <>
      <tr className="border-t border-line align-baseline hover:bg-sunken">
        <th scope="row" className="py-1 text-left font-normal">
          <button
            type="button"
            aria-expanded={open}
            title={means}
            className="text-left hover:underline"
            onClick={onToggle}
          >
            <span aria-hidden="true" className="mr-1 inline-block w-3 text-quiet">
              {open ? '▾' : '▸'}
            </span>
            {column.title}
          </button>
        </th>
        <td className="px-2 text-right font-semibold whitespace-nowrap">
          {evidence === null ? (
            <span className="font-normal text-unknown">unknown</span>
          ) : (
            propertyText(value, column.property, units)
          )}
        </td>
        <td className="px-2">{evidence === null ? null : <Evidence evidence={evidence} />}</td>
        <td className="px-2 text-right text-quiet">{cov === null ? '' : `${Math.round(cov * 100)} %`}</td>
        <td className="px-2 text-quiet">{whereFrom(row)}</td>
      </tr>
      {open && (
        <tr>
          <td colSpan={5} className="bg-sunken px-4 py-2">
            <p className="mb-1 text-xs text-quiet">{means}</p>
            {row.gaps.map((gap) => (
              <p key={say(gap)} className="text-unknown">
                {say(gap)}
              </p>
            ))}
            {row.steps.length > 0 && (
              <ol aria-label={`Derivation of ${column.title}`} className="mb-2">
                {row.steps.map(({ text, value: after }, i) => (
                  <li key={i} className="flex justify-between gap-4 border-b border-line py-0.5">
                    <span>{say(text)}</span>
                    {after !== undefined && (
                      <span className="whitespace-nowrap">{propertyText(after, column.property, units)}</span>
                    )}
                  </li>
                ))}
              </ol>
            )}
            {observations.length > 0 ? (
              <ObservationTable observations={observations} named={false} usedId={row.usedId} />
            ) : (
              <p className="text-quiet">No report for this grade. Test it.</p>
            )}
          </td>
        </tr>
      )}
    </>
  );
}

function whereFrom({ observations, usedId, evidence }: ResolvedRow): string {
  const used = observations.find(({ id }) => id === usedId);
  const others = observations.length - (used ? 1 : 0);
  const more = others === 0 ? '' : ` · ${others} other ${others === 1 ? 'report' : 'reports'}`;
  if (used) return `${used.reference}${more}`;
  if (evidence === null)
    return observations.length > 0 ? `${observations.length} reported, none usable at this condition` : '';
  return evidence === 'D' ? `typical of the family${more}` : `the grade’s modulus curve${more}`;
}
