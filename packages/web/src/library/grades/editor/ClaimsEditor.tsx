import { CLAIM_KINDS, CLAIM_SCOPES, type Claim } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Section } from './section.ts';
import { NumberField } from './NumberField.tsx';

const words = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value.replaceAll('-', ' ') }));

/** Certificates and statements, each with what was tested: a claim without its scope cannot be used. */
export function ClaimsEditor({ grade, edit, issueAt }: Section) {
  const claims = grade.claims ?? [];
  const set = (next: Claim[], field: string) => edit({ claims: next }, field);
  const change = (at: number, part: Partial<Claim>, field: string) =>
    set(
      claims.map((one, i) => (i === at ? withoutEmpty({ ...one, ...part }) : one)),
      `claims.${at}.${field}`,
    );
  return (
    <Panel
      title={`Certificates and statements (${claims.length})`}
      aside={
        <Button
          onClick={() =>
            set(
              [...claims, { kind: 'flame', statement: '', scope: 'not-stated', reference: '' }],
              `add claim ${claims.length}`,
            )
          }
        >
          Add one
        </Button>
      }
    >
      {claims.length === 0 && (
        <p className="text-quiet">None. A claim applies to what was tested, not automatically to a printed part.</p>
      )}
      {claims.map((claim, i) => (
        <div key={i} className="mb-2 grid grid-cols-9 narrow:grid-cols-2 items-start gap-3 border-b border-line pb-2">
          <Choice
            label="About"
            value={claim.kind}
            options={words(CLAIM_KINDS)}
            onChange={(kind) => change(i, { kind }, 'kind')}
          />
          <TextField
            label="Statement"
            value={claim.statement}
            error={issueAt(`/claims/${i}/statement`)}
            onChange={(statement) => change(i, { statement }, 'statement')}
          />
          <NumberField
            label="Number"
            value={claim.value}
            onChange={(value) => change(i, { value } as Partial<Claim>, 'value')}
          />
          <TextField
            label="Standard"
            value={claim.standard ?? ''}
            onChange={(standard) => change(i, { standard }, 'standard')}
          />
          <Choice
            label="What was tested"
            value={claim.scope}
            options={words(CLAIM_SCOPES)}
            onChange={(scope) => change(i, { scope }, 'scope')}
          />
          <NumberField
            label="Thickness (mm)"
            value={claim.thicknessMm}
            onChange={(thicknessMm) => change(i, { thicknessMm } as Partial<Claim>, 'thickness')}
          />
          <TextField label="Colour" value={claim.colour ?? ''} onChange={(colour) => change(i, { colour }, 'colour')} />
          <TextField
            label="Stated in"
            value={claim.reference}
            error={issueAt(`/claims/${i}/reference`)}
            onChange={(reference) => change(i, { reference }, 'reference')}
          />
          <Button
            look="quiet"
            className="mt-4"
            aria-label={`Delete ${claim.statement || 'claim'}`}
            onClick={() =>
              set(
                claims.filter((_, at) => at !== i),
                `remove claim ${i}`,
              )
            }
          >
            Delete
          </Button>
        </div>
      ))}
    </Panel>
  );
}

function withoutEmpty(claim: Claim): Claim {
  return Object.fromEntries(
    Object.entries(claim).filter(
      ([name, value]) => name === 'statement' || name === 'reference' || (value !== undefined && value !== ''),
    ),
  ) as Claim;
}
