import { findMethod, testMethods } from '@anvilstone/core/evidence';
import type { Grade } from '@anvilstone/schema';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { usePartsQuery } from '../../sync/api/api.ts';
import { useAddress } from '../../sync/address/useAddress.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { TextField } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { tabLook } from '../../ui/tabLook.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import { PageHead } from '../../ui/PageHead.tsx';
import { Empty } from '../../ui/Empty.tsx';
import { useCampaignsQuery, type CampaignSummary } from './benchApi.ts';
import { MethodCard } from './plan/MethodCard.tsx';
import { MethodResults } from './results/MethodResults.tsx';
import { nextStep } from './nextStep.ts';

const TABS = { campaigns: 'Campaigns', methods: 'Test methods' } as const;
type Tab = keyof typeof TABS;

/** What is being tested, and how tests are done here. */
export function BenchPage() {
  const [search, set] = useAddress();
  const shown = (Object.keys(TABS) as Tab[]).find((id) => id === search.get('show')) ?? 'campaigns';
  return (
    <main className="p-5">
      <PageHead title="Bench" says="Test campaigns, their readings and the evidence they give.">
        <Link to="/bench/new" className={buttonLook('primary')}>
          New campaign
        </Link>
      </PageHead>
      <Tabs.Root value={shown} onValueChange={(show) => set({ show }, true)}>
        <Tabs.List aria-label="Bench" className="mb-3 flex border-b border-line">
          {(Object.keys(TABS) as Tab[]).map((id) => (
            <Tabs.Trigger key={id} value={id} className={tabLook}>
              {TABS[id]}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="campaigns" tabIndex={-1}>
          <CampaignsTab />
        </Tabs.Content>
        <Tabs.Content value="methods" tabIndex={-1}>
          <MethodsTab />
        </Tabs.Content>
      </Tabs.Root>
    </main>
  );
}

function CampaignsTab() {
  const { data: campaigns, error } = useCampaignsQuery();
  const { library } = useLibrary();
  const [words, setWords] = useState('');
  const gradeOf = useMemo(() => new Map((library?.grades ?? []).map((grade) => [grade.id, grade])), [library]);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!campaigns) return <Loading what="the campaigns" />;
  const shown = campaigns.filter(({ campaign }) => {
    const text = [
      campaign.id,
      campaign.title,
      findMethod(campaign.methodId)?.title,
      ...campaign.arms.map(({ gradeId }) => gradeOf.get(gradeId)?.name),
    ];
    return text.join(' ').toLowerCase().includes(words.trim().toLowerCase());
  });
  return (
    <>
      <div className="mb-3 flex items-end gap-3">
        <div className="w-56">
          <TextField label="Find" value={words} onChange={setWords} />
        </div>
        <span className="text-sm text-quiet">
          {shown.length} of {campaigns.length}
        </span>
      </div>
      <CampaignsTable campaigns={shown} gradeOf={gradeOf} />
      {campaigns.length === 0 && (
        <Empty>
          No tests yet. Open a part’s Bench stage for the tests that would help its choice, or start a campaign across
          several grades here.
        </Empty>
      )}
    </>
  );
}

export function CampaignsTable({
  campaigns,
  gradeOf,
}: {
  campaigns: readonly CampaignSummary[];
  gradeOf: ReadonlyMap<string, Grade>;
}) {
  const { data: parts } = usePartsQuery();
  if (campaigns.length === 0) return null;
  return (
    <table className="w-full rounded-md border border-line bg-surface text-sm">
      <TableHead headings={['Series', 'Question', 'Method', 'Grades', 'Tested', 'Next']} />
      <tbody>
        {campaigns.map((one) => {
          const { campaign, done } = one;
          const names = [...new Set(campaign.arms.map(({ gradeId }) => gradeOf.get(gradeId)?.name ?? gradeId))];
          const part = parts?.find(({ id }) => id === campaign.partId);
          return (
            <tr key={campaign.id} className="border-b border-line align-top last:border-0 hover:bg-sunken">
              <th scope="row" className="px-3 py-2 text-left">
                <Link to={`/bench/${campaign.id}`} className="hover:underline">
                  {campaign.id}
                </Link>
                {campaign.sampleData && (
                  <span className="block text-xs font-normal whitespace-nowrap text-unknown">sample data</span>
                )}
              </th>
              <td className="px-3 py-2">
                {campaign.title}
                {part && (
                  <Link to={`/parts/${part.id}/bench`} className="block text-xs text-quiet hover:underline">
                    {part.brief.title}
                  </Link>
                )}
              </td>
              <td className="px-3 py-2">{findMethod(campaign.methodId)?.title ?? campaign.methodId}</td>
              <td className="px-3 py-2">
                {names.slice(0, 3).join(', ')}
                {names.length > 3 && ` and ${names.length - 3} more`}
              </td>
              <td className="px-3 py-2 whitespace-nowrap">
                {done} of {Math.max(campaign.specimens.length, campaign.arms.length * campaign.perArm)}
              </td>
              <td className="px-3 py-2 whitespace-nowrap">{nextStep(one)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function MethodsTab() {
  const [search, set] = useAddress();
  const method = testMethods.find(({ id }) => id === search.get('method')) ?? testMethods[0]!;
  return (
    <div className="grid grid-cols-[17rem_1fr] narrow:grid-cols-1 items-start gap-5">
      <ul aria-label="Test methods" className="rounded-md border border-line bg-surface text-sm">
        {testMethods.map(({ id, title, tests }) => (
          <li key={id} className="border-b border-line last:border-0">
            <button
              type="button"
              aria-current={id === method.id}
              className="w-full border-l-3 border-transparent px-3 py-1.5 text-left hover:bg-sunken aria-[current=true]:border-ember aria-[current=true]:font-semibold"
              onClick={() => set({ method: id }, true)}
            >
              {title}
              <span className="block text-xs font-normal text-quiet">
                {tests === 'part' ? 'the part itself' : 'coupons'}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <section aria-label={method.title} className="rounded-md border border-line bg-surface p-4">
        <div className="mb-3 flex items-center justify-between gap-3">
          <h2 className="text-base">{method.title}</h2>
          <Link to={`/bench/new?method=${method.id}`} className={buttonLook()}>
            Start a campaign
          </Link>
        </div>
        <MethodCard method={method} />
        <MethodResults method={method} />
      </section>
    </div>
  );
}
