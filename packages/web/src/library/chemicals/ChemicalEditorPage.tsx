import { PageHeading } from '../../ui/PageHeading.tsx';
import { families } from '@anvilstone/core/materials';
import {
  AGENT_RATINGS,
  agent as agentSchema,
  type Agent,
  type AgentOfWorkshop,
  type AgentRecord,
} from '@anvilstone/schema';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { isComplete } from '../../ui/form/schemaField.ts';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { SaveProblem } from '../../ui/SaveProblem.tsx';
import { useAgents } from './useAgents.ts';
import { useSaveAgentMutation } from './agentsApi.ts';

const blank: Agent = {
  id: '',
  name: '',
  examples: [],
  referenceTemperatureC: 23,
  handlingCaution: '',
  ratings: {},
};

/** A new agent of the workshop's own, one that exists, or a reference agent to be corrected for this workshop. */
export function ChemicalEditorPage() {
  const { agentId } = useParams();
  const { listed, error } = useAgents();
  if (error) return <ProblemNotice error={error} />;
  if (!listed) return <Loading what="the chemical" />;
  if (agentId === undefined)
    return <Editor key="new" stored={blank} revision={0} taken={listed.map(({ agent }) => agent.id)} />;
  const found = listed.find(({ agent }) => agent.id === agentId);
  return found ? (
    <Editor key={agentId} stored={found.agent} revision={found.revision} taken={[]} />
  ) : (
    <main className="p-5">
      There is no chemical “{agentId}”. <Link to="/chemicals">All chemicals</Link>
    </main>
  );
}

const AgentField = FormField<Agent>;
const NOT_RATED: AgentRecord = { rating: 'unknown', stressCrack: false };
const RATING_WORDS: Record<AgentRecord['rating'], string> = {
  resistant: 'Resistant',
  limited: 'Limited',
  unsuitable: 'Not resistant',
  unknown: 'Not known',
};

function Editor({ stored, revision: read, taken }: { stored: Agent; revision: number; taken: readonly string[] }) {
  const navigate = useNavigate();
  const form = useRecordForm<Agent>(agentSchema, stored);
  const { name, ratings } = form.values;
  const [revision, setRevision] = useState(read);
  const [save, { error, isLoading, reset }] = useSaveAgentMutation();
  const isNew = stored.id === '';
  const id = isNew ? idOf(name, taken) : stored.id;
  const ready = isComplete(agentSchema, { ...form.values, id });
  const rate = (familyId: string, change: Partial<AgentRecord>) => {
    const { note, ...said } = { ...NOT_RATED, ...ratings[familyId], ...change };
    form.setValue('ratings', { ...ratings, [familyId]: note ? { ...said, note } : said });
  };
  return (
    <main className="max-w-280 p-5">
      <p className="text-sm">
        <Link to={isNew ? '/chemicals' : `/chemicals/${stored.id}`} className="text-quiet hover:underline">
          ← {isNew ? 'All chemicals' : stored.name}
        </Link>
      </p>
      <PageHeading className="mb-3 text-xl">
        {isNew ? 'New chemical' : `${stored.name}, for this workspace`}
      </PageHeading>
      <Panel title="Identity" className="mb-4">
        <RecordForm form={form} error={error} at="/agent">
          <div className="grid grid-cols-2 gap-3">
            <AgentField name="name" label="Name" />
            <AgentField name="examples" label="Examples, with commas between" />
            <AgentField name="handlingCaution" />
            <AgentField name="referenceTemperatureC" label="Its ratings are for" />
          </div>
        </RecordForm>
      </Panel>
      <Panel title="Resistance in lasting contact" className="mb-4">
        <table className="w-full text-sm">
          <thead>
            <tr className="text-left text-xs text-quiet">
              <th className="py-1 pr-3 font-normal">Family</th>
              <th className="py-1 pr-3 font-normal">Sustained contact</th>
              <th className="py-1 pr-3 font-normal">Cracks under tension</th>
              <th className="py-1 font-normal">Why</th>
            </tr>
          </thead>
          <tbody>
            {families
              .filter(({ morphology }) => morphology !== 'support')
              .map(({ id: familyId, abbreviation }) => {
                const row = ratings[familyId];
                return (
                  <tr key={familyId} className="border-t border-line">
                    <th scope="row" className="py-1 pr-3 text-left font-semibold">
                      {abbreviation}
                    </th>
                    <td className="py-1 pr-3">
                      <select
                        aria-label={`${abbreviation}: lasting contact`}
                        className="rounded border border-line-strong bg-surface px-1 py-0.5"
                        value={row?.rating ?? 'unknown'}
                        onChange={(event) => rate(familyId, { rating: event.target.value as AgentRecord['rating'] })}
                      >
                        {AGENT_RATINGS.map((rating) => (
                          <option key={rating} value={rating}>
                            {RATING_WORDS[rating]}
                          </option>
                        ))}
                      </select>
                    </td>
                    <td className="py-1 pr-3">
                      <input
                        type="checkbox"
                        className="accent-(--ember)"
                        aria-label={`${abbreviation} cracks under tension`}
                        checked={row?.stressCrack ?? false}
                        onChange={(event) => rate(familyId, { stressCrack: event.target.checked })}
                      />
                    </td>
                    <td className="py-1">
                      <input
                        aria-label={`${abbreviation}: why`}
                        className="w-full rounded border border-line bg-surface px-2 py-0.5 text-xs"
                        maxLength={400}
                        value={row?.note ?? ''}
                        onChange={({ target: { value: note } }) => rate(familyId, { note })}
                      />
                    </td>
                  </tr>
                );
              })}
          </tbody>
        </table>
      </Panel>
      <SaveProblem<AgentOfWorkshop>
        error={error}
        onTakeNewer={(newer) => {
          reset();
          form.reset(newer.agent);
          setRevision(newer.revision);
        }}
      />
      <div className="flex items-center gap-3">
        <Button
          look="primary"
          disabled={!ready || isLoading}
          onClick={() =>
            void save({ agent: { ...form.entered(), id }, revision })
              .unwrap()
              .then(() => navigate(`/chemicals/${id}`))
              .catch(() => undefined)
          }
        >
          Save it
        </Button>
        {!ready && <span className="text-xs text-quiet">Enter a name and safety notes.</span>}
      </div>
    </main>
  );
}

function idOf(name: string, taken: readonly string[]): string {
  const plain =
    name
      .normalize('NFKD')
      .replace(/[^A-Za-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .toLowerCase()
      .slice(0, 60) || 'agent';
  let id = plain;
  for (let number = 2; taken.includes(id); number++) id = `${plain}-${number}`;
  return id;
}
