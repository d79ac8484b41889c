import { CLAIM_KINDS, CLAIM_SCOPES, claim as claimSchema, type Claim } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { DocumentField } from '../../../ui/form/DocumentField.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Section } from './section.ts';

const words = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value.replaceAll('-', ' ') }));
const KINDS = words(CLAIM_KINDS);
const SCOPES = words(CLAIM_SCOPES);

/** Certificates and statements, each with what was tested: a claim without its scope cannot be used. */
export function ClaimsEditor({ grade, edit, issueAt }: Section) {
  const claims = grade.claims ?? [];
  const set = (next: Claim[], field: string) => edit({ claims: next }, field);
  const of = (at: number) => ({
    schema: claimSchema,
    document: claims[at]!,
    issueAt: (pointer: string) => issueAt(`/claims/${at}${pointer}`),
    edit: (next: Claim, field: string) =>
      set(
        claims.map((one, i) => (i === at ? next : one)),
        `claims.${at}.${field}`,
      ),
  });
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
          <DocumentField of={of(i)} name="kind" label="About" options={KINDS} />
          <DocumentField of={of(i)} name="statement" label="Statement" />
          <DocumentField of={of(i)} name="value" label="Number" />
          <DocumentField of={of(i)} name="standard" label="Standard" />
          <DocumentField of={of(i)} name="scope" options={SCOPES} />
          <DocumentField of={of(i)} name="thicknessMm" label="Thickness" />
          <DocumentField of={of(i)} name="colour" label="Colour" />
          <DocumentField of={of(i)} name="reference" label="Stated in" />
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
