import { grade as gradeSchema } from '@anvilstone/schema';
import { families, reinforcements } from '@anvilstone/core/materials';
import { DocumentField } from '../../../ui/form/DocumentField.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Section } from './section.ts';

const FAMILIES = [
  { value: 'not-stated', label: 'Not stated: nothing is estimated' },
  ...families.map(({ id, name }) => ({ value: id, label: name })),
];
const FILLERS = reinforcements.map(({ id, name }) => ({ value: id, label: name }));

export function IdentityEditor({ grade, edit, issueAt }: Section) {
  const of = { schema: gradeSchema, document: grade, issueAt, edit };
  return (
    <Panel title="Identity">
      <div className="grid grid-cols-2 gap-3">
        <DocumentField of={of} name="name" label="Name" />
        <DocumentField of={of} name="maker" />
        <DocumentField of={of} name="familyId" label="Polymer family" options={FAMILIES} />
        <DocumentField of={of} name="reinforcementId" label="Filler" none="None (unfilled)" options={FILLERS} />
        <DocumentField of={of} name="colours" label="Colours, with commas between" />
        <DocumentField of={of} name="pricePerKgUsd" label="Price" hint="Empty = unknown" />
        <DocumentField of={of} name="leadTimeDays" label="Lead time, days" hint="0 = in stock; empty = not stated" />
        <div className="col-span-2">
          <DocumentField of={of} name="note" />
        </div>
        <DocumentField of={of} name="discontinued" />
        <DocumentField of={of} name="sampleData" label="Sample data, not for design" />
      </div>
    </Panel>
  );
}
