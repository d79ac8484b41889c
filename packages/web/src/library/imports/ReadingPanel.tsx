import { SOURCES, type ImportPlan, type ImportSettings } from '@anvilstone/schema';
import { useState } from 'react';
import { Choice, controlLook, Field } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';

const DELIMITERS = [
  { value: ',', label: 'comma' },
  { value: ';', label: 'semicolon' },
  { value: '\t', label: 'tab' },
  { value: '|', label: 'bar' },
] as const;

/** How the file is taken apart, as found; and what holds for all of its rows where no column says so. */
export function ReadingPanel({
  plan,
  settings,
  onChange,
}: {
  plan: ImportPlan;
  settings: ImportSettings;
  onChange: (settings: Partial<ImportSettings>) => void;
}) {
  const makerKnown =
    settings.maker || plan.columns.some(({ target }) => target === 'grade.maker' || target === 'record');
  return (
    <Panel title="File format">
      <div className="grid grid-cols-4 narrow:grid-cols-2 gap-x-4 gap-y-2">
        {plan.delimiter !== null && (
          <Choice
            label="Column separator"
            value={settings.delimiter ?? (plan.delimiter as ',')}
            options={DELIMITERS}
            onChange={(delimiter) => onChange({ delimiter })}
          />
        )}
        {plan.sheets.length > 0 && (
          <Choice
            label="Sheet"
            value={settings.sheet ?? plan.sheet ?? ''}
            options={[
              ...(plan.sheet === null ? [{ value: '', label: 'all three, joined' }] : []),
              ...plan.sheets.map((value) => ({ value, label: value })),
            ]}
            onChange={(sheet) => sheet && onChange({ sheet, columns: [] })}
          />
        )}
        <Choice
          label="Decimal sign"
          value={settings.decimal ?? plan.decimal}
          options={[
            { value: 'point', label: 'point: 1.5' },
            { value: 'comma', label: 'comma: 1,5' },
          ]}
          onChange={(decimal) => onChange({ decimal })}
        />
        <LateText
          label="Headings in line"
          value={String(settings.headerLine ?? plan.headerLine)}
          onChange={(text) =>
            Number.isInteger(Number(text)) && Number(text) > 0 && onChange({ headerLine: Number(text), columns: [] })
          }
        />
        <Choice
          label="A row is"
          value={(settings.layout ?? plan.layout) === 'long' ? 'long' : 'wide'}
          options={[
            { value: 'wide', label: 'a grade' },
            { value: 'long', label: 'one reported value' },
          ]}
          onChange={(layout) => onChange({ layout })}
        />
        <LateText
          label="Maker, where no column says so"
          error={makerKnown ? undefined : 'No column names the maker: name one for the whole file.'}
          value={settings.maker ?? ''}
          onChange={(maker) => onChange({ maker })}
        />
        <Choice
          label="Values are from"
          value={settings.source ?? 'datasheet'}
          options={SOURCES.map((value) => ({
            value,
            label: { bench: 'own bench', datasheet: 'a data sheet', estimate: 'an estimate' }[value],
          }))}
          onChange={(source) => onChange({ source })}
        />
        <LateText
          label="Document or campaign"
          value={settings.reference ?? ''}
          placeholder="the file’s name"
          onChange={(reference) => onChange({ reference })}
        />
      </div>
    </Panel>
  );
}

/** Takes effect on leaving or Enter: every change reads the whole file again. */
export function LateText({
  label,
  value,
  placeholder,
  error,
  onChange,
}: {
  label: string;
  value: string;
  placeholder?: string;
  error?: string | undefined;
  onChange: (text: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const settle = () => {
    if (typed !== null && typed !== value) onChange(typed);
    setTyped(null);
  };
  return (
    <Field label={label} error={error}>
      {(ids) => (
        <input
          {...ids}
          className={controlLook}
          placeholder={placeholder}
          value={typed ?? value}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={settle}
          onKeyDown={(event) => event.key === 'Enter' && settle()}
        />
      )}
    </Field>
  );
}
