import {
  findMethod,
  specimensNeeded,
  TACKLE_EFFICIENCY,
  testMethods,
  typicalSetUp,
  type SizeId,
} from '@anvilstone/core/evidence';
import { agents, findAgent } from '@anvilstone/core/materials';
import type { Agent, Campaign, RigSetUp } from '@anvilstone/schema';
import { useAppSelector } from '../../../sync/store/store.ts';
import { FactList } from '../../../ui/FactList.tsx';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { ArmsPanel } from '../specimens/ArmsPanel.tsx';
import type { EditCampaign } from '../useSavedCampaign.ts';
import { quantity } from '../words.ts';

/** What is to be settled, by which method, of which grades, in which rig, and how many of each. */
export function PlanFields({
  campaign,
  library,
  edit,
  tested,
}: {
  campaign: Campaign;
  library: Workshop;
  edit: EditCampaign;
  /** Something has been tested: the method stays. */
  tested: boolean;
}) {
  const method = findMethod(campaign.methodId);
  const setUp = (change: Partial<RigSetUp>) => edit((now) => ({ ...now, setUp: { ...now.setUp, ...change } }));
  const without = (id: keyof RigSetUp) =>
    edit((now) => {
      const { [id]: _gone, ...rest } = now.setUp;
      return { ...now, setUp: rest };
    });
  const size = (
    id: SizeId,
    label: string,
    dimension: Parameters<typeof QuantityField>[0]['dimension'],
    hint?: string,
  ) => (
    <QuantityField
      key={id}
      label={label}
      dimension={dimension}
      value={campaign.setUp[id]}
      bounds={id === 'temperatureC' ? { minimum: -80, maximum: 400 } : { exclusiveMinimum: 0, maximum: 1e6 }}
      hint={hint}
      onChange={(value) => setUp({ [id]: value })}
      onClear={() => without(id)}
    />
  );
  return (
    <div className="flex flex-col gap-4">
      <Panel title="Question">
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Summary"
            value={campaign.title}
            maxLength={200}
            onChange={(title) => edit((now) => ({ ...now, title }))}
          />
          <Choice
            label={tested ? 'Test method (specimens have been tested by it)' : 'Test method'}
            value={campaign.methodId}
            options={testMethods
              .filter(({ id }) => !tested || id === campaign.methodId)
              .map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(methodId) =>
              edit((now) => ({
                ...now,
                methodId,
                setUp: { ...typicalSetUp(findMethod(methodId)!), ...gaugeOf(now.setUp) },
              }))
            }
          />
        </div>
        {method && <p className="mt-2 text-sm text-quiet">{method.settles}</p>}
      </Panel>
      <ArmsPanel campaign={campaign} library={library} edit={edit} />
      {method && (method.sizes.length > 0 || method.capture === 'force') && (
        <Panel title={method.capture === 'force' ? 'Specimen, rig and gauge' : 'Specimen and rig'}>
          {tested && <SizesTested campaign={campaign} />}
          <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
            {!tested && method.asksFluid && (
              <FluidChoice
                agentId={campaign.setUp.agentId}
                own={library.agents ?? []}
                onChange={(agentId) => setUp({ agentId })}
              />
            )}
            {!tested && method.sizes.map(({ id, title, dimension }) => size(id, title, dimension))}
            {method.capture === 'force' && (
              <>
                {size('gaugeCapacityN', 'Gauge range', 'force')}
                {size('rigLimitN', 'Rig capacity', 'force')}
                {size('pulleyRatio', 'Pulley ratio', 'ratio', '1: gauge pulls directly')}
                {(campaign.setUp.pulleyRatio ?? 1) > 1 &&
                  size('pulleyEfficiency', 'Pulley efficiency', 'ratio', `${TACKLE_EFFICIENCY} unless measured`)}
                {size('leverRatio', 'Lever: gauge arm ÷ specimen arm', 'ratio', '1: no lever')}
              </>
            )}
          </div>
        </Panel>
      )}
      {method && <HowMany campaign={campaign} edit={edit} />}
      {method?.capture === 'looks' && <DatesPanel campaign={campaign} edit={edit} />}
    </div>
  );
}

const NO_FLUID = '';

function FluidChoice({
  agentId,
  own,
  onChange,
}: {
  agentId: string | undefined;
  own: readonly Agent[];
  onChange: (agentId: string) => void;
}) {
  const known = [...own, ...agents.filter(({ id }) => !own.some((one) => one.id === id))];
  return (
    <Choice
      label="Fluid"
      value={agentId ?? NO_FLUID}
      error={agentId === undefined ? 'The result applies to one fluid: choose it.' : undefined}
      options={[
        ...(agentId === undefined ? [{ value: NO_FLUID, label: 'Choose …' }] : []),
        ...known.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      onChange={onChange}
    />
  );
}

/** Results are worked out from these: once something has been tested they stay. */
function SizesTested({ campaign }: { campaign: Campaign }) {
  const units = useAppSelector((state) => state.settings.units);
  const sizes = findMethod(campaign.methodId)?.sizes ?? [];
  const { agentId } = campaign.setUp;
  const fluid = agentId === undefined ? [] : [['Fluid', findAgent(agentId)?.name ?? agentId] as [string, string]];
  const rows = sizes.flatMap(({ id, title, dimension }): [string, string][] => {
    const value = campaign.setUp[id];
    return value === undefined ? [] : [[title, quantity(value, dimension, units)]];
  });
  if (rows.length + fluid.length === 0) return null;
  return (
    <div className="mb-3 w-80">
      <FactList rows={[...fluid, ...rows]} />
      <p className="mt-1 text-xs text-quiet">
        Specimens have been tested with these, so they stay. What a specimen measures itself goes with the specimen.
      </p>
    </div>
  );
}

const gaugeOf = ({ gaugeCapacityN, rigLimitN }: RigSetUp) => ({
  ...(gaugeCapacityN === undefined ? {} : { gaugeCapacityN }),
  ...(rigLimitN === undefined ? {} : { rigLimitN }),
});

function HowMany({ campaign, edit }: { campaign: Campaign; edit: EditCampaign }) {
  const method = findMethod(campaign.methodId)!;
  const halfWidth = (campaign.halfWidthPct ?? 10) / 100;
  const needed = campaign.arms.map(({ orientation }) => specimensNeeded(method, orientation, halfWidth));
  const most = Math.max(1, ...needed.map(({ perArm }) => perArm));
  const worst = Math.max(...needed.map(({ cov }) => cov), 0);
  return (
    <Panel title="Number of specimens">
      <div className="grid grid-cols-3 narrow:grid-cols-2 items-start gap-3">
        <QuantityField
          label="Wanted precision of each mean, ±"
          dimension="fraction"
          value={campaign.halfWidthPct ?? 10}
          bounds={{ minimum: 1, maximum: 50 }}
          hint="with 95 % confidence"
          onChange={(halfWidthPct) => edit((now) => ({ ...now, halfWidthPct }))}
        />
        <QuantityField
          label="Specimens of each"
          dimension="ratio"
          value={campaign.perArm}
          bounds={{ minimum: 1, maximum: 100 }}
          onChange={(perArm) => edit((now) => ({ ...now, perArm: Math.round(perArm) }))}
        />
        <p className="pt-4 text-sm text-quiet">
          {most} are needed at the scatter usual of such specimens, {Math.round(100 * worst)} %. Three are a hint, five
          make evidence of class A, six allow a basis value.
        </p>
      </div>
    </Panel>
  );
}

function DatesPanel({ campaign, edit }: { campaign: Campaign; edit: EditCampaign }) {
  return (
    <Panel title="Location and inspection dates">
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Location"
          value={campaign.place ?? ''}
          maxLength={200}
          onChange={(place) => edit(({ place: _was, ...now }) => (place === '' ? now : { ...now, place }))}
        />
        <DateAdder campaign={campaign} edit={edit} />
      </div>
      <ul className="mt-2 flex flex-wrap gap-2 text-sm">
        {campaign.inspectOn.map((date) => (
          <li key={date} className="rounded border border-line px-2 py-0.5">
            {date}{' '}
            <button
              type="button"
              aria-label={`Remove inspection on ${date}`}
              className="text-quiet hover:text-ink"
              onClick={() => edit((now) => ({ ...now, inspectOn: now.inspectOn.filter((one) => one !== date) }))}
            >
              ×
            </button>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

const DAY_MS = 24 * 3600e3;
const USUAL_DAYS = [1, 3, 7, 14, 30, 60, 90, 180];

function DateAdder({ campaign, edit }: { campaign: Campaign; edit: EditCampaign }) {
  const add = (dates: readonly string[]) =>
    edit((now) => ({ ...now, inspectOn: [...new Set([...now.inspectOn, ...dates])].sort() }));
  return (
    <div>
      <label htmlFor="look-on" className="mb-0.5 block text-xs text-quiet">
        Inspect on
      </label>
      <div className="flex gap-2">
        <input
          id="look-on"
          type="date"
          className="rounded border border-line-strong bg-surface px-2 py-1"
          onChange={(event) => event.target.value !== '' && add([event.target.value])}
        />
        <button
          type="button"
          className="text-sm underline"
          onClick={() => {
            const from = campaign.begunAt ? Date.parse(campaign.begunAt) : Date.now();
            add(USUAL_DAYS.map((days) => new Date(from + days * DAY_MS).toISOString().slice(0, 10)));
          }}
        >
          1, 3, 7, 14, 30, 60, 90, 180 days
        </button>
      </div>
    </div>
  );
}
