import type { Grade } from '@anvilstone/schema';
import { families, reinforcements } from '@anvilstone/core/materials';
import { Choice, TextArea, TextField, Tick } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import type { Section } from './section.ts';

const FAMILIES = [
  { value: 'not-stated', label: 'Not stated: nothing is estimated' },
  ...families.map(({ id, name }) => ({ value: id, label: name })),
];
const FILLERS = [
  { value: '', label: 'None (unfilled)' },
  ...reinforcements.map(({ id, name }) => ({ value: id, label: name })),
];

export function IdentityEditor({ grade, edit, issueAt }: Section & { isNew: boolean }) {
  return (
    <Panel title="Identity">
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Name"
          value={grade.name}
          maxLength={200}
          error={issueAt('/name')}
          onChange={(name) => edit({ name }, 'name')}
        />
        <TextField
          label="Maker"
          value={grade.maker}
          maxLength={200}
          error={issueAt('/maker')}
          onChange={(maker) => edit({ maker }, 'maker')}
        />
        <Choice
          label="Polymer family"
          value={grade.familyId}
          options={FAMILIES}
          onChange={(familyId) => edit({ familyId }, 'familyId')}
        />
        <Choice
          label="Filler"
          value={grade.reinforcementId ?? ''}
          options={FILLERS}
          onChange={(id) => edit({ reinforcementId: id === '' ? null : id }, 'reinforcementId')}
        />
        <TextField
          label="Colours, with commas between"
          value={grade.colours.join(', ')}
          error={issueAt('/colours')}
          onChange={(text) => edit({ colours: text.split(/\s*,\s*/).slice(0, 40) }, 'colours')}
        />
        <QuantityField
          label="Price"
          dimension="price"
          value={grade.pricePerKgUsd ?? undefined}
          bounds={{ exclusiveMinimum: 0, maximum: 100000 }}
          onChange={(pricePerKgUsd) => edit({ pricePerKgUsd }, 'price')}
          onClear={() => edit({ pricePerKgUsd: null }, 'price')}
          hint="Empty = unknown"
        />
        <QuantityField
          label="Lead time, days"
          dimension="ratio"
          value={grade.leadTimeDays}
          bounds={{ minimum: 0, maximum: 365 }}
          onChange={(leadTimeDays) => edit({ leadTimeDays }, 'leadTime')}
          onClear={() => edit({ leadTimeDays: undefined } as Partial<Grade>, 'leadTime')}
          hint="0 = in stock; empty = not stated"
        />
        <div className="col-span-2">
          <TextArea label="Remarks" value={grade.note ?? ''} rows={2} onChange={(note) => edit({ note }, 'note')} />
        </div>
        <Tick
          label="No longer made"
          checked={grade.discontinued === true}
          onChange={(discontinued) => edit({ discontinued }, 'discontinued')}
        />
        <Tick
          label="Sample data, not for design"
          checked={grade.sampleData}
          onChange={(sampleData) => edit({ sampleData }, 'sampleData')}
        />
      </div>
    </Panel>
  );
}
