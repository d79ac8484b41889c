import { PageHeading } from '../../ui/PageHeading.tsx';
import { families } from '@anvilstone/core/materials';
import { AGENT_RATINGS, type Agent, type AgentOfWorkshop, type AgentRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
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

const RATING_WORDS: Record<AgentRecord['rating'], string> = {
  resistant: 'Resistant',
  limited: 'Limited',
  unsuitable: 'Not resistant',
  unknown: 'Not known',
};

function Editor({ stored, revision: read, taken }: { stored: Agent; revision: number; taken: readonly string[] }) {
  const navigate = useNavigate();
  const [agent, setAgent] = useState({ ...stored, examples: spaced(stored.examples) });
  const [revision, setRevision] = useState(read);
  const [save, { error, isLoading, reset }] = useSaveAgentMutation();
  const isNew = stored.id === '';
  const id = isNew ? idOf(agent.name, taken) : stored.id;
  const ready = agent.name.trim() !== '' && agent.handlingCaution.trim() !== '';
  const rate = (familyId: string, change: Partial<AgentRecord>) => {
    const before = agent.ratings[familyId] ?? { rating: 'unknown', stressCrack: false };
    setAgent({ ...agent, ratings: { ...agent.ratings, [familyId]: { ...before, ...change } } });
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
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Name"
            value={agent.name}
            maxLength={200}
            onChange={(name) => setAgent({ ...agent, name })}
          />
          <TextField
            label="Examples, with commas between"
            value={agent.examples.join(',')}
            maxLength={400}
            onChange={(text) => setAgent({ ...agent, examples: examplesOf(text) })}
          />
          <TextField
            label="Safety notes"
            value={agent.handlingCaution}
            maxLength={400}
            onChange={(handlingCaution) => setAgent({ ...agent, handlingCaution })}
          />
          <QuantityField
            label="Its ratings are for"
            dimension="temperature"
            value={agent.referenceTemperatureC}
            bounds={{ minimum: -80, maximum: 400 }}
            onChange={(referenceTemperatureC) => setAgent({ ...agent, referenceTemperatureC })}
          />
        </div>
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
                const row = agent.ratings[familyId];
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
                        onChange={({ target: { value } }) => {
                          const { note: _was, ...rest } = row ?? { rating: 'unknown' as const, stressCrack: false };
                          const next = value === '' ? rest : { ...rest, note: value };
                          setAgent({ ...agent, ratings: { ...agent.ratings, [familyId]: next } });
                        }}
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
          setAgent({ ...newer.agent, examples: spaced(newer.agent.examples) });
          setRevision(newer.revision);
        }}
      />
      <div className="flex items-center gap-3">
        <Button
          look="primary"
          disabled={!ready || isLoading}
          onClick={() =>
            void save({ agent: { ...agent, id, examples: trimmed(agent.examples) }, revision })
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

/** A comma or space being typed must not vanish: the list is trimmed when it is saved. */
const examplesOf = (text: string): string[] => (text === '' ? [] : text.split(','));

/** As they are written into one field. */
const spaced = (examples: readonly string[]) => examples.map((one, index) => (index === 0 ? one : ` ${one}`));
const trimmed = (examples: readonly string[]) => examples.map((one) => one.trim()).filter((one) => one !== '');

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
