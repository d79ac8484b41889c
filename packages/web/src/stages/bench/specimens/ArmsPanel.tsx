import { nextArmId } from '@anvilstone/core/evidence';
import type { BuildOrientation, Campaign } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import type { EditCampaign } from '../useSavedCampaign.ts';
import { WAY_OPTIONS } from '../words.ts';

const OFFERED = 8;
const MOST_ARMS = 40;

/** Which grades, and which build orientation each is printed: every line is one mean. */
export function ArmsPanel({ campaign, library, edit }: { campaign: Campaign; library: Workshop; edit: EditCampaign }) {
  const [words, setWords] = useState('');
  const [way, setWay] = useState<BuildOrientation>(campaign.arms[0]?.orientation ?? 'XY');
  const gradeOf = (id: string) => library.grades.find((grade) => grade.id === id);
  const wanted = words.trim().toLowerCase();
  const matches =
    wanted === ''
      ? []
      : library.grades
          .filter(({ name, maker, familyId }) => `${name} ${maker} ${familyId}`.toLowerCase().includes(wanted))
          .filter(({ id }) => !campaign.arms.some((arm) => arm.gradeId === id && arm.orientation === way));
  const specimens = (armId: string) => campaign.specimens.filter((one) => one.armId === armId).length;
  return (
    <Panel title="Grades and build orientations">
      <ul className="mb-3 text-sm">
        {campaign.arms.map((arm) => (
          <li
            key={arm.id}
            className="grid grid-cols-[2rem_1fr_10rem_auto] items-center gap-3 border-b border-line py-1 last:border-0"
          >
            <span className="text-base font-semibold">{arm.id}</span>
            <Link to={`/grades/${arm.gradeId}`} className="hover:underline">
              {gradeOf(arm.gradeId)?.name ?? arm.gradeId}{' '}
              <span className="text-quiet">{gradeOf(arm.gradeId)?.maker}</span>
            </Link>
            <Choice
              label={<span className="sr-only">Build orientation of {arm.id}</span>}
              value={arm.orientation}
              options={WAY_OPTIONS}
              onChange={(orientation) =>
                edit((now) => ({
                  ...now,
                  arms: now.arms.map(({ predicted: _old, ...one }) =>
                    one.id === arm.id ? { ...one, orientation } : one,
                  ),
                }))
              }
            />
            <Button
              look="quiet"
              aria-label={`Remove arm ${arm.id}`}
              disabled={campaign.arms.length === 1 || specimens(arm.id) > 0}
              title={specimens(arm.id) > 0 ? 'Specimens exist' : undefined}
              onClick={() => edit((now) => ({ ...now, arms: now.arms.filter(({ id }) => id !== arm.id) }))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {campaign.arms.length < MOST_ARMS && (
        <div className="grid grid-cols-[1fr_10rem] gap-3">
          <TextField label="Add a grade: part of its name, maker or family" value={words} onChange={setWords} />
          <Choice label="Printed" value={way} options={WAY_OPTIONS} onChange={setWay} />
        </div>
      )}
      {matches.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-2">
          {matches.slice(0, OFFERED).map(({ id, name }) => (
            <Button
              key={id}
              onClick={() =>
                edit((now) => ({ ...now, arms: [...now.arms, { id: nextArmId(now), gradeId: id, orientation: way }] }))
              }
            >
              + {name}
            </Button>
          ))}
          {matches.length > OFFERED && <span className="text-sm text-quiet">and {matches.length - OFFERED} more</span>}
        </div>
      )}
      {wanted !== '' && matches.length === 0 && (
        <p className="mt-2 text-sm text-quiet">No other grade is called that.</p>
      )}
    </Panel>
  );
}
