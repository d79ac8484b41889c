import { completeRules, defaultCompanyRules, ruleChanges, ruleValue } from '@anvilstone/core/materials';
import type { CompanyRules } from '@anvilstone/schema';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { useCompanyRulesHistoryQuery } from './rulesApi.ts';

/** Who set which values when and why, newest first; an earlier set can be taken up again. */
export function RulesHistory({ onTake }: { onTake: (rules: CompanyRules) => void }) {
  const { data } = useCompanyRulesHistoryQuery();
  const changes = data?.changes ?? [];
  return (
    <Panel title="Change history">
      {changes.length === 0 ? (
        <p className="text-quiet">No changes: these are the default values.</p>
      ) : (
        <ol className="flex flex-col gap-3">
          {changes.map((change, index) => {
            const before = changes[index + 1]?.rules ?? defaultCompanyRules;
            return (
              <li key={change.revision} className="border-b border-line pb-2 text-sm last:border-0">
                <div className="flex items-baseline justify-between gap-3">
                  <p>
                    <strong>{change.changedBy || 'No name'}</strong>{' '}
                    <time className="text-quiet" dateTime={change.changedAt}>
                      {new Date(change.changedAt).toLocaleString(undefined, {
                        dateStyle: 'medium',
                        timeStyle: 'short',
                      })}
                    </time>
                  </p>
                  {index > 0 && (
                    <Button look="quiet" onClick={() => onTake(completeRules(change.rules))}>
                      Use these again
                    </Button>
                  )}
                </div>
                {change.why && <p>{change.why}</p>}
                <ul className="text-xs text-quiet">
                  {ruleChanges(completeRules(before), completeRules(change.rules)).map(({ meaning, from, to }) => (
                    <li key={meaning.id}>
                      {meaning.title}: {ruleValue(meaning, from)} → {ruleValue(meaning, to)}
                    </li>
                  ))}
                </ul>
              </li>
            );
          })}
        </ol>
      )}
    </Panel>
  );
}
