import { PageHeading } from '../../ui/PageHeading.tsx';
import { families, findAgent } from '@anvilstone/core/materials';
import type { Agent, Grade, Observation } from '@anvilstone/schema';
import { Link, useNavigate, useParams } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { amount, duration } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useLibrary } from '../../workers/useLibrary.ts';
import { useRemoveAgentMutation } from './agentsApi.ts';
import { RatingMark, ratingWord } from './RatingMark.tsx';
import { SoakForm } from './SoakForm.tsx';
import { useAgents, type ListedAgent } from './useAgents.ts';

/** One agent: what it does to each family and why, how to handle it, and what our own soaks found. */
export function ChemicalPage() {
  const { agentId } = useParams();
  const { listed, error } = useAgents();
  const { library } = useLibrary();
  if (error) return <ProblemNotice error={error} />;
  if (!listed || !library) return <Loading what="the chemical" />;
  const found = listed.find(({ agent }) => agent.id === agentId);
  if (!found)
    return (
      <main className="p-5">
        <p>
          There is no chemical “{agentId}”. <Link to="/chemicals">All chemicals</Link>
        </p>
      </main>
    );
  return <Shown found={found} grades={library.grades} />;
}

function Shown({ found: { agent, revision, corrects }, grades }: { found: ListedAgent; grades: readonly Grade[] }) {
  const units = useAppSelector((state) => state.settings.units);
  const navigate = useNavigate();
  const [remove, { error }] = useRemoveAgentMutation();
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/chemicals" className="text-quiet hover:underline">
          ← All chemicals
        </Link>
      </p>
      <div className="flex items-start justify-between gap-4">
        <div>
          <PageHeading>{agent.name}</PageHeading>
          <p className="text-quiet">
            {agent.examples.join(', ')}
            {agent.examples.length > 0 && ' · '}
            ratings at {amount(agent.referenceTemperatureC, '°C', units)}
            {revision > 0 && (corrects ? ' · corrected in this workspace' : ' · own entry')}
          </p>
        </div>
        <div className="flex gap-2">
          <Link to={`/chemicals/${agent.id}/edit`} className={buttonLook()}>
            {revision > 0 ? 'Edit' : 'Correct for this workspace'}
          </Link>
          <HistoryButton kind="agents" record={agent.id} title={agent.name} />
          {revision > 0 && (
            <ConfirmRemoval
              name={corrects ? `the corrections to ${agent.name}` : agent.name}
              error={error}
              onRemove={() =>
                void remove({ id: agent.id, revision })
                  .unwrap()
                  .then(() => navigate('/chemicals'))
                  .catch(() => undefined)
              }
            >
              {corrects
                ? 'The reference table’s ratings count again. Frozen decisions keep the corrected ones.'
                : 'Briefs that use it will show it as unknown. Frozen decisions keep it.'}
            </ConfirmRemoval>
          )}
        </div>
      </div>
      <p className="my-2 max-w-240 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown">
        {agent.handlingCaution} Its safety data sheet and local rules come first.
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)_26rem] narrow:grid-cols-1 items-start gap-4">
        <RatingsTable agent={agent} />
        <div className="flex flex-col gap-4">
          <Soaks agent={agent} grades={grades} />
          <SoakForm agent={agent} grades={grades} />
        </div>
      </div>
    </main>
  );
}

function RatingsTable({ agent }: { agent: Agent }) {
  const units = useAppSelector((state) => state.settings.units);
  const reference = findAgent(agent.id);
  return (
    <Panel title="Typical resistance by family">
      <table className="-my-2 w-full text-sm">
        <thead>
          <tr className="text-left text-xs text-quiet">
            <th className="py-1 pr-3 font-normal">Family</th>
            <th className="py-1 pr-3 font-normal">Sustained contact</th>
            <th className="py-1 pr-3 text-right font-normal">Up to</th>
            <th className="py-1 font-normal">Why</th>
          </tr>
        </thead>
        <tbody>
          {families
            .filter(({ morphology }) => morphology !== 'support')
            .map((family) => {
              const row = agent.ratings[family.id] ?? { rating: 'unknown' as const, stressCrack: false };
              const was = reference?.ratings[family.id];
              const corrected =
                was && reference !== agent && (was.rating !== row.rating || was.stressCrack !== row.stressCrack);
              return (
                <tr key={family.id} className="border-t border-line align-top">
                  <th scope="row" className="py-1 pr-3 text-left font-semibold">
                    {family.abbreviation}
                  </th>
                  <td className="py-1 pr-3 whitespace-nowrap">
                    <RatingMark rating={row.rating} stressCrack={row.stressCrack} /> {ratingWord(row.rating)}
                    {row.stressCrack && <span className="block text-xs text-fail">cracks under tension</span>}
                    {corrected && <span className="block text-xs text-ember">table: {ratingWord(was.rating)}</span>}
                  </td>
                  <td className="py-1 pr-3 text-right whitespace-nowrap">
                    {row.rating === 'unknown' || row.rating === 'unsuitable'
                      ? ''
                      : amount(row.maxTemperatureC ?? agent.referenceTemperatureC, '°C', units)}
                  </td>
                  <td className="py-1 text-xs text-quiet">{row.note}</td>
                </tr>
              );
            })}
        </tbody>
      </table>
    </Panel>
  );
}

function Soaks({ agent, grades }: { agent: Agent; grades: readonly Grade[] }) {
  const units = useAppSelector((state) => state.settings.units);
  const found = grades.flatMap((grade) =>
    grade.observations
      .filter((one) => one.property === 'chemicalResistance' && one.agentId === agent.id)
      .map((one) => ({ grade, one })),
  );
  return (
    <Panel title="Immersion tests and statements on single grades">
      {found.length === 0 ? (
        <p className="text-quiet">
          None yet. One week with three bent specimens tells more than any table; record it below.
        </p>
      ) : (
        <ul className="flex flex-col gap-2 text-sm">
          {found.map(({ grade, one }) => (
            <li key={`${grade.id} ${one.id}`} className="border-b border-line pb-2 last:border-0">
              <RatingMark rating={ratingOf(one)} stressCrack={false} />{' '}
              <Link to={`/grades/${grade.id}`} className="font-semibold hover:underline">
                {grade.name}
              </Link>{' '}
              {ratingWord(ratingOf(one))}, {one.source === 'bench' ? 'own immersion test' : 'maker’s statement'}
              <span className="block text-xs text-quiet">
                {[
                  one.temperatureC === undefined ? '' : amount(one.temperatureC, '°C', units),
                  one.durationH === undefined ? '' : duration(one.durationH),
                  one.creepStressMPa === undefined ? '' : `bent to ${amount(one.creepStressMPa, 'MPa', units)}`,
                  one.count === undefined ? '' : `n = ${one.count}`,
                  one.reference,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </span>
              {one.note && <span className="block text-xs">{one.note}</span>}
            </li>
          ))}
        </ul>
      )}
    </Panel>
  );
}

function ratingOf({ classValue }: Observation) {
  return classValue === 'resistant' || classValue === 'limited' || classValue === 'unsuitable' ? classValue : 'unknown';
}
