import { Tabs } from 'radix-ui';
import { useMemo } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { DryersTab } from '../dryers/DryersTab.tsx';
import { InstrumentsTab } from '../instruments/InstrumentsTab.tsx';
import { PricesTab } from '../instruments/PricesTab.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { tabLook } from '../../ui/tabLook.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import { PageHead } from '../../ui/PageHead.tsx';
import { useStockQuery } from './spoolsApi.ts';
import { StockTab } from './StockTab.tsx';

/** Clocks run: often enough to be true, seldom enough to be quiet. */
const AGAIN_MS = 30_000;
const TABS = { stock: 'Spools', dryers: 'Dryers', instruments: 'Instruments', prices: 'Prices' } as const;
type Tab = keyof typeof TABS;

/** What is in stock, what has to be dried when, and the instruments that tell. */
export function SpoolsPage() {
  const { data: stock, error } = useStockQuery(undefined, { pollingInterval: AGAIN_MS });
  const { library } = useLibrary();
  const [search, set] = useAddress();
  const shown = (Object.keys(TABS) as Tab[]).find((id) => id === search.get('show')) ?? 'stock';
  const gradeOf = useMemo(() => new Map((library?.grades ?? []).map((grade) => [grade.id, grade])), [library]);
  return (
    <main className="p-5">
      <PageHead title="Spools" says="Stock, moisture and drying dates." />
      <Tabs.Root value={shown} onValueChange={(show) => set({ show }, true)}>
        <Tabs.List aria-label="Of the spools" className="mb-3 flex border-b border-line">
          {(Object.keys(TABS) as Tab[]).map((id) => (
            <Tabs.Trigger key={id} value={id} className={tabLook}>
              {TABS[id]}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {error !== undefined && <ProblemNotice error={error} />}
        {(!stock || !library) && !error && <Loading what="the stock" />}
        {stock && library && (
          <>
            <Tabs.Content value="stock" tabIndex={-1}>
              <StockTab stock={stock} gradeOf={gradeOf} />
            </Tabs.Content>
            <Tabs.Content value="dryers" tabIndex={-1}>
              <DryersTab stock={stock} gradeOf={gradeOf} rules={library.rules} />
            </Tabs.Content>
            <Tabs.Content value="instruments" tabIndex={-1}>
              <InstrumentsTab stock={stock} />
            </Tabs.Content>
            <Tabs.Content value="prices" tabIndex={-1}>
              <PricesTab library={library} />
            </Tabs.Content>
          </>
        )}
      </Tabs.Root>
    </main>
  );
}
