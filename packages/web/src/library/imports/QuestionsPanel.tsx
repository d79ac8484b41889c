import type { ImportPlan, ImportQuestion, ImportSettings } from '@anvilstone/schema';
import { controlLook } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';

/** More choices than this are a list to pick from. */
const MOST_BUTTONS = 6;

/** What only a person can decide. Nothing is chosen beforehand: a wrong guess would look like a fact. */
export function QuestionsPanel({
  plan,
  settings,
  onAnswer,
}: {
  plan: ImportPlan;
  settings: ImportSettings;
  onAnswer: (id: string, answer: string) => void;
}) {
  if (plan.questions.length === 0) return null;
  return (
    <Panel title={`Questions (${plan.questions.length})`}>
      <ul className="flex flex-col gap-4">
        {plan.questions.map((question) => (
          <Question
            key={question.id}
            question={question}
            answer={settings.answers?.[question.id] ?? question.answer}
            onAnswer={(answer) => onAnswer(question.id, answer)}
          />
        ))}
      </ul>
    </Panel>
  );
}

function Question({
  question,
  answer,
  onAnswer,
}: {
  question: ImportQuestion;
  answer: string | null;
  onAnswer: (answer: string) => void;
}) {
  const { id, text, detail, choices, count, examples } = question;
  return (
    <li className={`rounded border p-3 ${answer === null ? 'border-unknown' : 'border-line'}`}>
      <fieldset>
        <legend className="px-1 font-semibold">
          {text}{' '}
          {answer === null ? (
            <span className="text-xs font-normal text-unknown">open</span>
          ) : (
            <span className="text-xs font-normal text-pass">✓ answered</span>
          )}
        </legend>
        <p className="text-sm">{detail}</p>
        <p className="mb-2 text-xs text-quiet">
          {count} {count === 1 ? 'cell' : 'cells'}:{' '}
          {examples.map((one) => `“${one.text}” in line ${one.line}`).join(', ')}
          {count > examples.length && ' …'}
        </p>
        {choices.length > MOST_BUTTONS ? (
          <select
            aria-label={text}
            className={`${controlLook} max-w-96`}
            value={answer ?? ''}
            onChange={(event) => event.target.value && onAnswer(event.target.value)}
          >
            <option value="">Choose …</option>
            {choices.map((choice) => (
              <option key={choice.id} value={choice.id}>
                {choice.label}
              </option>
            ))}
          </select>
        ) : (
          <div className="flex flex-wrap gap-2">
            {choices.map((choice) => (
              <label
                key={choice.id}
                className={`cursor-pointer rounded border px-3 py-1.5 ${answer === choice.id ? 'border-ember bg-ember-ground' : 'border-line'}`}
              >
                <input
                  type="radio"
                  name={id}
                  className="mr-2 accent-(--ember)"
                  checked={answer === choice.id}
                  onChange={() => onAnswer(choice.id)}
                />
                <span className="font-semibold">{choice.label}</span>
                <span className="block text-xs text-quiet">{choice.means}</span>
              </label>
            ))}
          </div>
        )}
      </fieldset>
    </li>
  );
}
