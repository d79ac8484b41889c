import type { Machine } from '@anvilstone/schema';
import { Button } from '../../ui/Button.tsx';
import { FormField } from '../../ui/form/RecordForm.tsx';
import { Panel } from '../../ui/Panel.tsx';

const ConditionField = FormField<Machine>;

/** How worn it is. Every print that is written down counts here by itself. */
export function ConditionFields({ onNewNozzle }: { onNewNozzle: () => void }) {
  return (
    <Panel
      title="Condition"
      className="col-span-3 narrow:col-span-2"
      aside={<Button onClick={onNewNozzle}>A new nozzle is fitted</Button>}
    >
      <div className="grid grid-cols-[repeat(4,10rem)_1fr] narrow:grid-cols-2 gap-3">
        <ConditionField name="condition.nozzleAbrasiveG" label="Abrasive through its nozzle" />
        <ConditionField name="condition.hours" label="Hours run" dimension="ratio" />
        <ConditionField name="condition.prints" label="Prints" />
        <ConditionField name="condition.failedPrints" label="Failed" />
        <ConditionField name="condition.note" />
      </div>
      <p className="mt-2 text-xs text-quiet">
        Failed prints set the scrap rate and so the cost. Fibre and some pigments wear the nozzle: the mass printed
        tells when to measure its bore.
      </p>
    </Panel>
  );
}
