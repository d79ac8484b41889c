import { completeRules, findFamily, pairsOf, referenceStatement } from '@anvilstone/core/materials';
import type { Grade, CompanyRules } from '@anvilstone/schema';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Cautions } from '../../../ui/Cautions.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { fillerText } from '../list/gradeFilter.ts';
import { useGradeUsesQuery } from '../gradesApi.ts';

/** What belongs to the grade beside its numbers: its pair, how it prints, what is claimed, what to mind, where it is used. */
export function GradeAside({ grade, grades, rules }: { grade: Grade; grades: readonly Grade[]; rules: CompanyRules }) {
  const units = useAppSelector((state) => state.settings.units);
  const pairs = pairsOf(grade, grades);
  const { data: uses } = useGradeUsesQuery(grade.id);
  return (
    <aside aria-label="About this grade" className="flex w-80 shrink-0 flex-col gap-3 narrow:w-full">
      <ProcessWindow grade={grade} leastDryingH={completeRules(rules).minimumDryingH} />
      <Panel title="Same base, other filler">
        {pairs.length === 0 ? (
          <p className="text-sm text-quiet">No other grade of {grade.maker} on this base pairs with it.</p>
        ) : (
          <ul className="text-sm">
            {pairs.map(({ grade: other, relation }) => (
              <li key={other.id} className="flex items-baseline justify-between gap-2 py-0.5">
                <span>
                  <Link to={`/grades/${other.id}`} className="underline">
                    {other.name}
                  </Link>
                  <span className="block text-xs text-quiet">
                    {relation === 'unfilled' ? 'the unfilled base' : fillerText(other)}
                  </span>
                </span>
                <Link
                  to={`/grades/compare?first=${relation === 'unfilled' ? other.id : grade.id}&second=${relation === 'unfilled' ? grade.id : other.id}`}
                  className="text-xs whitespace-nowrap underline"
                >
                  compare
                </Link>
              </li>
            ))}
          </ul>
        )}
      </Panel>
      {grade.claims && grade.claims.length > 0 && (
        <Panel title="Certificates and statements">
          <ul className="flex flex-col gap-2 text-sm">
            {grade.claims.map((claim, i) => (
              <li key={i}>
                <span className="font-semibold">{claim.statement}</span>{' '}
                <span className="text-quiet">({claim.kind})</span>
                <span className="block text-xs text-quiet">
                  {[
                    SCOPES[claim.scope],
                    claim.standard,
                    claim.thicknessMm === undefined
                      ? 'thickness not stated'
                      : `at ${amount(claim.thicknessMm, 'mm', units)}`,
                    claim.colour ?? 'colour not stated',
                    claim.date,
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
                <span className="block text-xs text-quiet">{claim.reference}</span>
              </li>
            ))}
          </ul>
          <p className="mt-2 text-xs text-unknown">
            A claim applies to what was tested, not automatically to a printed part.
          </p>
        </Panel>
      )}
      <div className="mt-4">
        <Cautions place="grade" grade={grade} />
      </div>
      <Panel title="Used in">
        {uses && uses.decisions.length === 0 && <p className="text-sm text-quiet">Not chosen in any decision.</p>}
        <ul className="text-sm">
          {uses?.decisions.map((decision) => (
            <li key={decision.id}>
              <Link to={`/parts/${decision.partId}/decision`} className="underline">
                Decision {decision.number}: {decision.partTitle}
              </Link>
            </li>
          ))}
        </ul>
      </Panel>
    </aside>
  );
}

const SCOPES = {
  'raw-grade': 'raw grade',
  'moulded-specimen': 'moulded specimen',
  'printed-specimen': 'printed specimen',
  'printed-part': 'printed part',
  'not-stated': 'scope not stated',
};

/** The maker's statement where there is one, else the family's typical value, said to be that. */
function ProcessWindow({ grade, leastDryingH }: { grade: Grade; leastDryingH: number }) {
  const units = useAppSelector((state) => state.settings.units);
  const family = findFamily(grade.familyId);
  const stated = grade.process;
  const heat = ({ low, high }: { low: number; high: number }) =>
    `${amount(low, '°C', units).replace(/ .*/, '')} to ${amount(high, '°C', units)}`;
  const dryFor = (hours: number | undefined) => {
    if (hours === undefined) return `time not stated, at least ${leastDryingH} h (company rule)`;
    return hours < leastDryingH ? `${leastDryingH} h (company rule)` : `${hours} h`;
  };
  const chamber = family?.chamberC.recommended;
  const rows: [string, string | undefined, string | undefined][] = [
    ['Nozzle', stated.nozzleC && heat(stated.nozzleC), family && heat(family.nozzleC)],
    ['Bed', stated.bedC && heat(stated.bedC), family && heat(family.bedC)],
    [
      'Chamber',
      stated.chamberC && heat(stated.chamberC),
      chamber === null || chamber === undefined ? 'no requirement' : amount(chamber, '°C', units),
    ],
    ['Enclosure', stated.enclosure, family?.enclosure],
    [
      'Part cooling',
      stated.fanPct && `${stated.fanPct.low} to ${stated.fanPct.high} %`,
      family && `${family.fanPct.low} to ${family.fanPct.high} %`,
    ],
    [
      'Drying',
      stated.dryingC === undefined ? undefined : `${amount(stated.dryingC, '°C', units)}, ${dryFor(stated.dryingH)}`,
      family && `${amount(family.dryingC, '°C', units)}, ${dryFor(family.dryingH)}`,
    ],
    [
      'Out of dryer',
      stated.openHours === undefined ? undefined : `${stated.openHours} h`,
      family && (family.openHoursAt50Rh >= 1000 ? 'no practical limit' : `${family.openHoursAt50Rh} h at 50 % RH`),
    ],
    [
      'Smallest nozzle',
      stated.minimumNozzleMm === undefined ? undefined : `${stated.minimumNozzleMm} mm`,
      family && `${family.minimumNozzleMm} mm`,
    ],
  ];
  return (
    <Panel title="Printing">
      <table className="w-full text-sm">
        <tbody>
          {rows.map(([title, own, typical]) => (
            <tr key={title}>
              <th scope="row" className="py-px pr-2 text-left font-normal text-quiet">
                {title}
              </th>
              <td
                className={`text-right ${own ? '' : 'text-quiet'}`}
                title={own ? 'stated by the maker' : referenceStatement}
              >
                {own ?? typical ?? 'unknown'}
                {!own && typical && <span className="text-xs"> (family)</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}
