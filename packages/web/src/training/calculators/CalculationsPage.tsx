import { calculators, type Calculator } from '@anvilstone/core/education';
import { useState } from 'react';
import { NavLink, useParams } from 'react-router';
import { asProblem } from '../../sync/api/problem.ts';
import { useAddress } from '../../sync/address/useAddress.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { CalculationForm } from './CalculationForm.tsx';
import { useRunCalculationQuery } from './calculationsApi.ts';
import { CalculationResult } from './CalculationResult.tsx';
import type { FieldSchema } from '../../ui/form/schemaField.ts';
import { inputFromAddress } from './schemaFields.ts';
import { hereAddress } from '../../sync/address/place.ts';
import { PageHead } from '../../ui/PageHead.tsx';

/** Every formula by itself. The input lives in the address, so a sum can be sent to a colleague. */
export function CalculationsPage() {
  const { calculatorId } = useParams();
  const [wanted, setWanted] = useState('');
  const chosen = calculators.find((one) => one.id === calculatorId) ?? calculators[0]!;
  const words = wanted.toLowerCase().split(/\s+/);
  const listed = calculators.filter((one) =>
    words.every((word) => `${one.title} ${one.id}`.toLowerCase().includes(word)),
  );
  return (
    <main className="p-5">
      <PageHead
        title="Calculators"
        says="Every formula used by the checks. Change a number and the result follows; the link keeps the input."
      />
      <div className="grid grid-cols-[20rem_minmax(0,1fr)] narrow:grid-cols-1 items-start gap-4">
        <nav aria-label="Formulas" className="rounded-md border border-line bg-surface p-3">
          <TextField label="Find a formula" value={wanted} onChange={setWanted} />
          <ul className="mt-2 max-h-[calc(100vh-16rem)] overflow-y-auto">
            {listed.map((one) => (
              <li key={one.id}>
                <NavLink
                  to={`/calculators/${one.id}`}
                  className={`block rounded px-2 py-1 text-sm hover:bg-sunken ${one.id === chosen.id ? 'bg-ember-ground font-semibold' : ''}`}
                >
                  {one.title}
                </NavLink>
              </li>
            ))}
            {listed.length === 0 && <li className="px-2 py-1 text-sm text-quiet">No match.</li>}
          </ul>
        </nav>
        <Calculation key={chosen.id} calculator={chosen} />
      </div>
    </main>
  );
}

function Calculation({ calculator }: { calculator: Calculator }) {
  const [search, set] = useAddress();
  const given = search.get('in');
  const fromAddress = inputFromAddress(given);
  const values = fromAddress ?? calculator.example;
  const { data: answer, error } = useRunCalculationQuery({ calculatorId: calculator.id, input: values });
  const problem = error === undefined ? undefined : asProblem(error);
  const issues = new Map((problem?.errors ?? []).map(({ pointer, detail }) => [pointer, detail]));
  const [copied, setCopied] = useState(false);
  const change = (next: Record<string, unknown>) => {
    setCopied(false);
    set({ in: JSON.stringify(next) }, true);
  };
  const copy = async () => {
    const link = `${hereAddress()}/calculators/${calculator.id}?in=${encodeURIComponent(JSON.stringify(values))}`;
    await navigator.clipboard.writeText(link);
    setCopied(true);
  };
  return (
    <div className="flex flex-col gap-4">
      <Panel
        title={calculator.title}
        aside={
          <Button onClick={() => void copy().catch(() => setCopied(false))}>
            {copied ? 'Link copied' : 'Copy the link'}
          </Button>
        }
      >
        {given !== null && fromAddress === undefined && (
          <p role="alert" className="mb-3 text-fail">
            The numbers in this link could not be read; an example is shown.
          </p>
        )}
        <CalculationForm
          schema={calculator.input as unknown as FieldSchema}
          values={values}
          issues={issues}
          onChange={change}
        />
      </Panel>
      <Panel title="Result">
        {problem && (
          <p role="alert" className="mb-2 text-fail">
            {problem.errors?.[0]?.detail ?? problem.detail}
            {answer && ' The result below is from the last valid numbers.'}
          </p>
        )}
        {answer && <CalculationResult answer={answer} />}
        <p className="mt-3 border-t border-line pt-2 text-xs text-quiet">{calculator.source}</p>
      </Panel>
    </div>
  );
}
