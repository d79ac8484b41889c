import {
  chemicalResistanceSummary,
  agents as referenceAgents,
  findAgent,
  type ResistanceGroup,
} from '@anvilstone/core/materials';
import { FLUID_CONTACTS, type Agent, type FluidContact } from '@anvilstone/schema';
import { Link } from 'react-router';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice, Field, controlLook } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import type { AskFieldsProps } from './askKind.ts';
import { ContactPicture } from './ContactPicture.tsx';

const MOST_FLUIDS = 12;

/** Every fluid that touches the part: which, how, how warm, how long, and what the tables say of it. */
export function FluidFields({ asks, set }: AskFieldsProps) {
  const fluids = asks.fluids!;
  const change = (index: number, part: Partial<FluidContact>) =>
    set({ fluids: fluids.map((fluid, at) => (at === index ? { ...fluid, ...part } : fluid)) });
  return (
    <div className="flex flex-col gap-3">
      {fluids.map((fluid, index) => (
        <FluidRow
          key={index}
          fluid={fluid}
          index={index}
          onChange={(part) => change(index, part)}
          onRemove={fluids.length > 1 ? () => set({ fluids: fluids.filter((_, at) => at !== index) }) : undefined}
        />
      ))}
      <div>
        <Button
          disabled={fluids.length >= MOST_FLUIDS}
          onClick={() =>
            set({ fluids: [...fluids, { agentId: 'detergent', contact: 'wipe', temperatureC: 23, hours: 20 }] })
          }
        >
          + Another fluid
        </Button>
      </div>
    </div>
  );
}

const CONTACT_TITLES: Record<FluidContact['contact'], string> = {
  splash: 'Splash',
  wipe: 'Wiping',
  vapour: 'Vapour',
  immersion: 'Immersion',
};

function FluidRow({
  fluid,
  index,
  onChange,
  onRemove,
}: {
  fluid: FluidContact;
  index: number;
  onChange: (part: Partial<FluidContact>) => void;
  onRemove: (() => void) | undefined;
}) {
  const { library } = usePartContext();
  const own = library.agents ?? [];
  const issue = useIssue(`/asks/fluids/${index}/contact`);
  const agent = own.find(({ id }) => id === fluid.agentId) ?? findAgent(fluid.agentId);
  const name = `Fluid ${index + 1}`;
  return (
    <div role="group" aria-label={name} className="rounded border border-line p-2">
      <div className="grid grid-cols-[minmax(0,1fr)_8rem_9rem_auto] narrow:grid-cols-2 items-start gap-3">
        <Field label="Chemical" error={agent ? undefined : 'No table knows this chemical any more.'}>
          {(ids) => (
            <select
              {...ids}
              className={controlLook}
              value={fluid.agentId}
              onChange={(event) => {
                const chosen = own.find(({ id }) => id === event.target.value) ?? findAgent(event.target.value);
                onChange({
                  agentId: event.target.value,
                  // A temperature that was never touched follows the agent: hot water is hot.
                  temperatureC:
                    chosen && fluid.temperatureC === agent?.referenceTemperatureC
                      ? chosen.referenceTemperatureC
                      : fluid.temperatureC,
                });
              }}
            >
              {!agent && <option value={fluid.agentId}>{fluid.agentId}</option>}
              {own.length > 0 && <AgentGroup title="Own entries" agents={own} />}
              <AgentGroup
                title="Reference table"
                agents={referenceAgents.filter(({ id }) => !own.some((one) => one.id === id))}
              />
            </select>
          )}
        </Field>
        <QuantityField
          label="Temperature"
          dimension="temperature"
          value={fluid.temperatureC}
          bounds={bounds.temperature}
          onChange={(temperatureC) => onChange({ temperatureC })}
        />
        <QuantityField
          label="Total exposure"
          dimension="time"
          value={fluid.hours}
          bounds={bounds.fluidHours}
          onChange={(hours) => onChange({ hours })}
        />
        {onRemove && (
          <Button look="quiet" aria-label={`Remove ${name.toLowerCase()}`} onClick={onRemove}>
            Remove
          </Button>
        )}
      </div>
      <div className="mt-2 grid grid-cols-[minmax(0,1fr)_12rem] narrow:grid-cols-1 items-start gap-3">
        <div>
          <div
            role="radiogroup"
            aria-label={`Contact with fluid ${index + 1}`}
            className="grid grid-cols-4 narrow:grid-cols-2 gap-2"
          >
            {FLUID_CONTACTS.map((contact) => (
              <label
                key={contact}
                className={`cursor-pointer rounded border px-1 py-1 text-center text-xs has-focus-visible:outline-2 has-focus-visible:outline-ember ${fluid.contact === contact ? 'border-ember bg-ember-ground font-semibold' : 'border-line'}`}
              >
                <input
                  type="radio"
                  className="sr-only"
                  name={`contact-${index}`}
                  checked={fluid.contact === contact}
                  onChange={() => onChange({ contact })}
                />
                <ContactPicture contact={contact} />
                {CONTACT_TITLES[contact]}
              </label>
            ))}
          </div>
          {issue && <p className="mt-1 text-xs text-fail">{issue}</p>}
        </div>
        <Choice
          label="Concentration"
          value={fluid.strength ?? 'usual'}
          options={[
            { value: 'weaker', label: 'Below usual' },
            { value: 'usual', label: 'Default' },
            { value: 'stronger', label: 'Above usual' },
          ]}
          onChange={(strength) => onChange({ strength })}
        />
      </div>
      {agent && <DecisionDrift agent={agent} fluid={fluid} />}
    </div>
  );
}

function AgentGroup({ title, agents }: { title: string; agents: readonly Agent[] }) {
  return (
    <optgroup label={title}>
      {agents.map((agent) => (
        <option key={agent.id} value={agent.id}>
          {agent.name}
        </option>
      ))}
    </optgroup>
  );
}

const GROUP_WORDS: Record<ResistanceGroup, string> = {
  resistant: 'stand it',
  limited: 'limited',
  unsuitable: 'are ruined',
  unknown: 'not known at this temperature',
};

/** What the table says of all families, and how heat and stress change it. */
function DecisionDrift({ agent, fluid }: { agent: Agent; fluid: FluidContact }) {
  const { groups, cracking } = chemicalResistanceSummary(agent, fluid);
  return (
    <div className="mt-2 text-xs text-quiet">
      <p>
        {agent.examples.length > 0 && <>For example {agent.examples.join(', ')}. </>}
        <span className="text-unknown">{agent.handlingCaution}</span>
      </p>
      <p className="mt-1">
        Families, typical values, untested:{' '}
        {(Object.keys(groups) as ResistanceGroup[])
          .filter((group) => groups[group].length > 0)
          .map((group) => (
            <span key={group} className="mr-2 whitespace-nowrap">
              <strong className="text-ink">{groups[group].length}</strong>{' '}
              <abbr title={groups[group].map(({ abbreviation }) => abbreviation).join(', ')} className="cursor-help">
                {GROUP_WORDS[group]}
              </abbr>
            </span>
          ))}
      </p>
      {cracking.length > 0 && (
        <p className="mt-1">
          Under sustained tension {cracking.map(({ abbreviation }) => abbreviation).join(', ')} may crack in it,
          depending on the loads above; heat and residual stress make it worse.
        </p>
      )}
      <Link to={`/chemicals/${agent.id}`} className="underline">
        Full table and own immersion tests
      </Link>
    </div>
  );
}
