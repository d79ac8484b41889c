import type { ImportIssue, ImportPlan, ImportSettings } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { controlLook, Tick } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useImportRowsQuery } from './importsApi.ts';
import type { ChangeImportSettings } from './useImportSettings.ts';
import { IGNORE } from './targets.ts';

const ROWS_A_PAGE = 50;

/** The rows as they stand, each cell's problem in its place; a cell can be corrected here, a row left out. */
export function PreviewPanel({
  id,
  plan,
  settings,
  ready,
  onChange,
}: {
  id: string;
  plan: ImportPlan;
  settings: ImportSettings;
  ready: boolean;
  onChange: ChangeImportSettings;
}) {
  const [problems, setProblems] = useState(plan.errorCount > 0);
  const [page, setPage] = useState(0);
  const version = `${ready ? 'ready' : 'busy'} ${JSON.stringify(settings)}`;
  const { data, error } = useImportRowsQuery({ id, offset: page * ROWS_A_PAGE, limit: ROWS_A_PAGE, problems, version });
  const columns = plan.columns.filter(({ target }) => target !== IGNORE.id);
  const pages = Math.max(1, Math.ceil((data?.total ?? 0) / ROWS_A_PAGE));
  // The rows may have been read before the last one was left out.
  const isOut = ({ line }: { line: number }) => settings.leftOut?.includes(line) ?? false;
  const correct = (line: number, column: number, text: string) =>
    onChange(({ corrections = [] }) => ({
      corrections: [...corrections.filter((one) => one.line !== line || one.column !== column), { line, column, text }],
    }));
  return (
    <Panel
      title="Rows"
      aside={
        <span className="flex items-center gap-4 text-sm">
          <span className={plan.errorCount > 0 ? 'text-fail' : 'text-quiet'}>
            {plan.errorCount} to correct, {plan.remarkCount} {plan.remarkCount === 1 ? 'remark' : 'remarks'}
          </span>
          <Tick
            label="Only rows with problems"
            checked={problems}
            onChange={(on) => {
              setProblems(on);
              setPage(0);
            }}
          />
        </span>
      }
    >
      {error !== undefined && <ProblemNotice error={error} />}
      {data?.total === 0 && <p className="text-quiet">{problems ? 'No row has a problem.' : 'There are no rows.'}</p>}
      {data && data.total > 0 && (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Rows of the file">
          <table className="text-sm">
            <thead>
              <tr className="text-left text-xs text-quiet">
                <th scope="col" className="pr-3 font-normal">
                  Line
                </th>
                <th scope="col" className="pr-3 font-normal">
                  <span className="sr-only">Leave out</span>
                </th>
                {columns.map(({ column, header }) => (
                  <th key={column} scope="col" className="max-w-36 pr-3 align-bottom font-normal">
                    {header || `column ${column + 1}`}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.rows.map((row) => (
                <tr
                  key={row.line}
                  className={`border-t border-line align-top ${isOut(row) ? 'text-quiet line-through' : ''}`}
                >
                  <th scope="row" className="pr-3 text-right font-normal text-quiet">
                    {row.line}
                  </th>
                  <td className="pr-3">
                    <Button
                      look="quiet"
                      className="px-1 py-0 text-xs whitespace-nowrap"
                      aria-label={isOut(row) ? `Take line ${row.line} in again` : `Leave line ${row.line} out`}
                      onClick={() =>
                        onChange(({ leftOut = [] }) => ({
                          leftOut: isOut(row) ? leftOut.filter((line) => line !== row.line) : [...leftOut, row.line],
                        }))
                      }
                    >
                      {isOut(row) ? 'take in' : 'exclude'}
                    </Button>
                  </td>
                  {columns.map(({ column, header }, i) => (
                    <PreviewCell
                      key={column}
                      text={row.cells[column] ?? ''}
                      name={`Line ${row.line}, ${header}`}
                      issues={row.issues.filter(
                        (issue) => issue.column === column || (issue.column === null && i === 0),
                      )}
                      onCorrect={(text) => correct(row.line, column, text)}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {pages > 1 && (
        <p className="mt-2 flex items-center gap-2 text-sm">
          <Button disabled={page === 0} onClick={() => setPage(page - 1)}>
            Earlier
          </Button>
          page {page + 1} of {pages}
          <Button disabled={page + 1 >= pages} onClick={() => setPage(page + 1)}>
            Later
          </Button>
        </p>
      )}
    </Panel>
  );
}

function PreviewCell({
  text,
  name,
  issues,
  onCorrect,
}: {
  text: string;
  name: string;
  issues: readonly ImportIssue[];
  onCorrect: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const fault = issues.some(({ severity }) => severity === 'error');
  const settle = () => {
    if (typed !== null && typed !== text) onCorrect(typed);
    setTyped(null);
  };
  return (
    <td className={`max-w-48 py-0.5 pr-3 ${fault ? 'bg-fail-ground' : issues.length > 0 ? 'bg-unknown-ground' : ''}`}>
      {typed === null ? (
        <button
          type="button"
          aria-label={`${name}: ${text || 'empty'}. Change`}
          className="w-full text-left hover:underline"
          onClick={() => setTyped(text)}
        >
          {text || <span className="text-quiet">–</span>}
        </button>
      ) : (
        <input
          autoFocus
          aria-label={name}
          className={`${controlLook} min-w-24 text-sm`}
          value={typed}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={settle}
          onKeyDown={(event) => {
            if (event.key === 'Enter') settle();
            if (event.key === 'Escape') setTyped(null);
          }}
        />
      )}
      {issues.map(({ message, severity }) => (
        <span key={message} className={`block text-xs ${severity === 'error' ? 'text-fail' : 'text-unknown'}`}>
          {message}
        </span>
      ))}
    </td>
  );
}
