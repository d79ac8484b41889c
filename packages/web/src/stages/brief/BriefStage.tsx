import { PROOF_TEST_CAUTION } from '@anvilstone/core/machines';
import type { Brief } from '@anvilstone/schema';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { Choice, TextArea, TextField, Tick } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { AsksPanel } from './AsksPanel.tsx';
import { BriefLensContext, seenThrough } from './briefLens.ts';
import { CombinationsPanel } from './loads/CombinationsPanel.tsx';
import { DemandReadout } from './DemandReadout.tsx';
import { useEdit, useIssue } from './editBrief.ts';
import { FeatureFields, FeatureTabs } from './shape/FeatureTabs.tsx';
import { LessonsNote } from './LessonsNote.tsx';
import { LoadsPanel } from './loads/LoadsPanel.tsx';
import { PrintedBrief } from './PrintedBrief.tsx';
import { ShapePanel } from './shape/ShapePanel.tsx';
import { StillToSay } from './StillToSay.tsx';

/** What must it do: asks on the left, what they demand and how many grades still stand on the right. */
export function BriefStage() {
  const { brief, library } = usePartContext();
  const [search] = useAddress();
  const { brief: model, lens } = seenThrough(brief, search.get('feature'));
  const feature = brief.features?.find(({ id }) => id === lens?.featureId);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_20rem] gap-4 narrow:grid-cols-1 xl:grid-cols-[minmax(0,1fr)_24rem]">
      <div className="flex min-w-0 flex-col gap-4">
        <StillToSay brief={brief} />
        {brief.lessons && brief.lessons.length > 0 && <LessonsNote lessons={brief.lessons} />}
        <FeatureTabs brief={brief} shown={feature} />
        {feature && <FeatureFields brief={brief} feature={feature} />}
        <BriefLensContext value={lens}>
          <ShapePanel key={feature?.id ?? 'part'} brief={model} feature={feature} />
        </BriefLensContext>
        <PrintedBrief />
        <div className="flex flex-col gap-4 print:hidden">
          <BriefLensContext value={lens}>
            <LoadsPanel brief={model} />
            <CombinationsPanel brief={model} />
          </BriefLensContext>
          <AsksPanel brief={brief} />
          <WhatItIs brief={brief} />
        </div>
      </div>
      <div className="sticky top-26 self-start narrow:static">
        <DemandReadout />
        <div className="mt-4">
          <Cautions place="brief" brief={brief} rules={library.rules} agents={library.agents} />
        </div>
      </div>
    </div>
  );
}

const MOISTURE = [
  { value: 'conditioned', label: 'Room air (23 °C, 50 % RH)' },
  { value: 'dry', label: 'Dry' },
  { value: 'wet', label: 'Saturated: under water, or in the rain for weeks' },
] as const;

const HARM = [
  { value: 'unanswered', label: 'Not answered yet' },
  { value: 'no', label: 'No: at most an inconvenience or a small cost' },
  { value: 'yes', label: 'Yes: someone could be hurt' },
] as const;

function WhatItIs({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const titleIssue = useIssue('/title');
  return (
    <Panel title="Part">
      <div className="grid grid-cols-2 gap-3">
        <TextField
          label="Name"
          value={brief.title}
          maxLength={200}
          error={brief.title.trim() === '' ? 'A name is needed before it can be saved.' : titleIssue}
          onChange={(title) => edit({ ...brief, title }, 'title')}
        />
        <Choice
          label="Moisture in service"
          value={brief.moisture}
          options={MOISTURE}
          onChange={(moisture) => edit({ ...brief, moisture }, 'moisture')}
        />
        <label className="flex items-start gap-2 text-sm">
          <input
            type="checkbox"
            className="mt-1"
            checked={brief.annealed === true}
            onChange={({ target }) => {
              const { annealed: _before, ...rest } = brief;
              edit(target.checked ? { ...rest, annealed: true } : rest, 'annealed');
            }}
          />
          <span>
            Annealed after printing
            <span className="block text-xs text-quiet">
              Raises the heat deflection points of families that gain by it (typical values), and shrinks the part.
            </span>
          </span>
        </label>
        <label className="flex items-start gap-2 text-sm">
          <input
            type="checkbox"
            className="mt-1"
            checked={brief.crystallisedInChamber === true}
            onChange={({ target }) => {
              const { crystallisedInChamber: _before, ...rest } = brief;
              edit(target.checked ? { ...rest, crystallisedInChamber: true } : rest, 'crystallisedInChamber');
            }}
          />
          <span>
            Crystallises in a hot chamber
            <span className="block text-xs text-quiet">
              PET, PPS and PEEK come off the printer amorphous unless the chamber is hotter than their glass transition.
            </span>
          </span>
        </label>
        <div className="col-span-2">
          <TextArea
            label="Function, and consequence of failure"
            rows={2}
            value={brief.purpose}
            onChange={(purpose) => edit({ ...brief, purpose }, 'purpose')}
          />
        </div>
        <div className="col-span-2">
          <Choice
            label="Could a failure hurt someone? Think of falling loads, stored energy, leaks and things people lean on: a hook over a path, a hand guard, a tensioned wire, a lid on something hot."
            value={brief.failureCouldHurt}
            options={HARM}
            onChange={(failureCouldHurt) => edit({ ...brief, failureCouldHurt }, 'harm')}
          />
          {brief.failureCouldHurt === 'yes' && <p className="mt-1 text-sm text-fail">{PROOF_TEST_CAUTION}</p>}
        </div>
        <div className="col-span-2">
          <Tick
            label="Offer this brief as a template for new parts"
            checked={brief.template === true}
            onChange={(on) => {
              const { template: _was, ...rest } = brief;
              edit(on ? { ...rest, template: true } : rest, 'template');
            }}
          />
        </div>
      </div>
    </Panel>
  );
}
