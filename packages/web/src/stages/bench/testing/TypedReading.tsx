import { advantageOf, type TestMethod } from '@anvilstone/core/evidence';
import { fromCanonical, parseQuantity, type Dimension, type UnitSystem } from '@anvilstone/core/foundations';
import type { Campaign, Findings, Specimen, Trial } from '@anvilstone/schema';
import { useState } from 'react';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount, duration } from '../../../ui/amount.ts';
import { newUuid } from '../../../sync/address/uuid.ts';
import { Button } from '../../../ui/Button.tsx';
import { controlLook, Field, TextField } from '../../../ui/fields.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useSaveTrialMutation } from '../benchApi.ts';

type Texts = Readonly<Record<string, string>>;

interface TypedField {
  id: string;
  label: string;
  dimension: Dimension;
  /** Counted with tackle and lever. */
  force?: true;
}

/** What was read by eye, in whatever unit the instrument shows. */
export function TypedReading({
  campaign,
  specimen,
  method,
}: {
  campaign: Campaign;
  specimen: Specimen;
  method: TestMethod;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const [texts, setTexts] = useState<Texts>({});
  const [broke, setBroke] = useState('');
  const [, set] = useAddress();
  const [save, { error, isLoading }] = useSaveTrialMutation();
  const fields = fieldsOf(method);
  const read = fields.map((field) => ({
    field,
    text: texts[field.id] ?? '',
    parsed: parseQuantity(texts[field.id] ?? '', field.dimension, units),
  }));
  const given = read.filter(({ text }) => text.trim() !== '');
  const usable = given.length > 0 && given.every(({ parsed }) => parsed.ok);
  const advantage = method.capture === 'force' ? advantageOf(campaign.setUp) : 1;
  const keep = (state: 'done' | 'abandoned') => {
    const first = given[0];
    const trial: Trial = {
      id: newUuid(),
      campaignId: campaign.id,
      specimenId: specimen.id,
      at: new Date().toISOString(),
      state,
      source: 'typed',
      ...(first?.parsed.ok && state === 'done'
        ? {
            asRead: {
              value: fromCanonical(first.parsed.canonical, first.parsed.unit, first.field.dimension),
              unit: first.parsed.unit,
            },
          }
        : {}),
      advantage,
      found: state === 'done' ? foundOf(read, advantage, method) : {},
      events: [],
      ...(broke.trim() === '' ? {} : { broke: broke.trim() }),
      sampleData: campaign.sampleData,
    };
    set({ specimen: specimen.id }, true);
    void save({ trial, revision: 0 }).catch(() => undefined);
  };
  return (
    <section aria-label="Enter result" className="mt-4 border-t border-line pt-3">
      <h3 className="text-sm">Entered by hand</h3>
      <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3">
        {read.map(({ field, text, parsed }) => (
          <Field
            key={field.id}
            label={field.label}
            error={text.trim() !== '' && !parsed.ok ? parsed.message : undefined}
            hint={
              text.trim() !== '' && parsed.ok && field.force
                ? `${amount(parsed.canonical * advantage, 'N', units)} on the specimen${advantage === 1 ? '' : `, × ${advantage.toFixed(2)}`}`
                : undefined
            }
          >
            {(ids) => (
              <input
                {...ids}
                className={controlLook}
                value={text}
                placeholder={PLACEHOLDERS[units][field.dimension]}
                onChange={(event) => setTexts({ ...texts, [field.id]: event.target.value })}
              />
            )}
          </Field>
        ))}
        <TextField label="Location and mode of failure" value={broke} maxLength={200} onChange={setBroke} />
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      <div className="mt-2 flex gap-2">
        <Button look="primary" disabled={!usable || isLoading} onClick={() => keep('done')}>
          Save reading
        </Button>
        <Button look="quiet" disabled={isLoading} onClick={() => keep('abandoned')}>
          No result
        </Button>
      </div>
    </section>
  );
}

/** As somebody would write it who reads in these units. */
const PLACEHOLDERS: Record<UnitSystem, Partial<Record<Dimension, string>>> = {
  metric: { force: '31.5 kgf', energy: '0.8 J', temperature: '78 °C', torque: '420 N·mm', length: '1.25 mm' },
  inchPound: { force: '69 lbf', energy: '0.6 ft·lbf', temperature: '172 °F', torque: '3.7 in·lbf', length: '0.05 in' },
};

function fieldsOf(method: TestMethod): TypedField[] {
  if (method.capture === 'force')
    return [
      { id: 'peakN', label: 'Largest force, at the gauge', dimension: 'force', force: true },
      { id: 'firstCrackN', label: 'At the first crack', dimension: 'force', force: true },
      ...(method.id === 'bend-bar'
        ? [{ id: 'stiffnessMm', label: 'Bent at a third of that force', dimension: 'length' as const }]
        : []),
    ];
  if (method.capture === 'number')
    return [{ id: 'reading', label: method.number!.title, dimension: method.number!.dimension }];
  const { loadedS, unloadedS } = method.times!;
  return [
    ...loadedS.map((s) => ({ id: `t${s}`, label: `After ${duration(s / 3600)}`, dimension: 'length' as const })),
    ...unloadedS.map((s) => ({
      id: `u${s}`,
      label: `Left ${duration(s / 3600)} after unloading`,
      dimension: 'length' as const,
    })),
  ];
}

function foundOf(
  read: readonly { field: TypedField; text: string; parsed: ReturnType<typeof parseQuantity> }[],
  advantage: number,
  method: TestMethod,
): Findings {
  const value = (id: string) => {
    const one = read.find(({ field }) => field.id === id);
    return one && one.text.trim() !== '' && one.parsed.ok ? one.parsed.canonical : undefined;
  };
  const some = (fields: Findings): Findings =>
    Object.fromEntries(Object.entries(fields).filter(([, one]) => one !== undefined));
  if (method.capture === 'number') return some({ reading: value('reading') } as Findings);
  if (method.capture === 'force') {
    const times = (one: number | undefined) => (one === undefined ? undefined : one * advantage);
    const [peak, bent] = [times(value('peakN')), value('stiffnessMm')];
    return some({
      peakN: peak,
      firstCrackN: times(value('firstCrackN')),
      stiffnessNPerMm: peak !== undefined && bent !== undefined && bent > 0 ? peak / 3 / bent : undefined,
    } as Findings);
  }
  const { loadedS, unloadedS } = method.times!;
  const end = loadedS.at(-1)!;
  const rows = [
    ...loadedS.map((s) => ({ timeS: s, movedMm: value(`t${s}`) })),
    ...unloadedS.map((s) => ({ timeS: end + s, movedMm: value(`u${s}`), unloaded: true as const })),
  ];
  return { moved: rows.flatMap(({ movedMm, ...row }) => (movedMm === undefined ? [] : [{ ...row, movedMm }])) };
}
