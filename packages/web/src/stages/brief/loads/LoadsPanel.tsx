import { findPartModel, fitCombinations } from '@anvilstone/core/shapes';
import type { Brief } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { useEdit } from '../editBrief.ts';
import { withLoadCase, withLoadKind, withNewLoadCase } from './loadCases.ts';
import { LoadFields } from './LoadFields.tsx';

const MOST_LOADS = 12;

/** Each load with how it acts, how long it stays on, how warm, and how much movement is allowed. */
export function LoadsPanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  return (
    <Panel
      title="Loads"
      aside={
        <Button
          disabled={brief.loadCases.length >= MOST_LOADS}
          onClick={() => edit(withNewLoadCase(brief), 'add-load')}
        >
          Add a load
        </Button>
      }
    >
      <div className="flex flex-col gap-5">
        {brief.loadCases.map((loadCase, index) => (
          <LoadFields
            key={loadCase.id}
            brief={brief}
            index={index}
            onChange={(change, field) => edit(withLoadCase(brief, index, change), `${loadCase.id}-${field}`)}
            onKind={(kind) => {
              const size = findPartModel(brief.part.model).takes(brief.part)[kind];
              if (size) edit(fitCombinations(withLoadKind(brief, index, kind, size)), `${loadCase.id}-kind`);
            }}
            onRemove={
              brief.loadCases.length > 1
                ? () =>
                    edit(
                      fitCombinations({ ...brief, loadCases: brief.loadCases.filter((_, i) => i !== index) }),
                      'remove-load',
                    )
                : undefined
            }
          />
        ))}
      </div>
    </Panel>
  );
}
