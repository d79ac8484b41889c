import { formatNumber as f } from '@anvilstone/core/foundations';
import { spoolMoisture, type AirStretch } from '@anvilstone/core/making';
import { findFamily } from '@anvilstone/core/materials';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount, duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import type { PlanTabProps } from './planTab.ts';
import { StockOfGrade } from './StockOfGrade.tsx';
import { FactList } from '../../ui/FactList.tsx';

const ROOM: AirStretch = { hours: 4, temperatureC: 23, humidityPct: 50 };
const STATE = {
  dry: { word: 'dry', look: 'text-pass' },
  'use-within': { word: 'dry enough', look: 'text-pass' },
  wet: { word: 'too moist to print', look: 'text-fail' },
} as const;

/** The clock of a spool out of the dryer: what the air it lay in made of it, and what it needs. */
export function DryTab({ grade, choice }: PlanTabProps) {
  const { library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const [air, setAir] = useState<readonly AirStretch[]>([ROOM]);
  const family = findFamily(grade.familyId)!;
  const { process } = grade;
  const water = useMemo(
    () => ({
      openHours: process.openHours ?? family.openHoursAt50Rh,
      dryingC: process.dryingC ?? family.dryingC,
      dryingH: Math.max(process.dryingH ?? family.dryingH, library.rules.minimumDryingH ?? 0),
    }),
    [process, family, library],
  );
  const found = useMemo(() => spoolMoisture(water, air), [water, air]);
  const change = (index: number, next: Partial<AirStretch>) =>
    setAir(air.map((one, i) => (i === index ? { ...one, ...next } : one)));
  const { word, look } = STATE[found.state];
  return (
    <>
      <StockOfGrade grade={grade} massG={choice.entry.massG} />
      <div className="grid grid-cols-2 narrow:grid-cols-1 items-start gap-4">
        <Panel title="Storage since drying">
          <ol className="flex flex-col gap-2">
            {air.map((one, index) => (
              <li key={index} className="grid grid-cols-[1fr_1fr_1fr_auto] narrow:grid-cols-2 items-end gap-2">
                <QuantityField
                  label={`Hours, ${index + 1}`}
                  dimension="ratio"
                  value={one.hours}
                  bounds={{ exclusiveMinimum: 0, maximum: 1e5 }}
                  onChange={(hours) => change(index, { hours })}
                />
                <QuantityField
                  label="Temperature"
                  dimension="temperature"
                  value={one.temperatureC}
                  bounds={{ minimum: -40, maximum: 90 }}
                  onChange={(temperatureC) => change(index, { temperatureC })}
                />
                <QuantityField
                  label="Humidity"
                  dimension="fraction"
                  value={one.humidityPct}
                  bounds={{ minimum: 0, maximum: 100 }}
                  onChange={(humidityPct) => change(index, { humidityPct })}
                />
                <Button
                  look="quiet"
                  aria-label={`Remove period ${index + 1}`}
                  onClick={() => setAir(air.filter((_, i) => i !== index))}
                >
                  ×
                </Button>
              </li>
            ))}
          </ol>
          <Button className="mt-2" onClick={() => setAir([...air, air.at(-1) ?? ROOM])}>
            + Add storage period
          </Button>
        </Panel>
        <Panel title={`A spool of ${grade.name}`}>
          <p className={`text-base font-semibold ${look}`} role="status">
            {word}
            {found.state === 'wet'
              ? `: dry it for ${duration(found.needsDryingH)} at ${amount(water.dryingC, '°C', units)}`
              : Number.isFinite(found.useWithinH)
                ? `: use it within ${duration(found.useWithinH)}`
                : ': it stays dry enough in this air'}
          </p>
          <FactList
            className="mt-2"
            rows={[
              ['Water, relative to equilibrium at 50 % RH', `${f(100 * found.fraction, 2)} %`],
              ['Too moist from', '20 %'],
              [`Out of the dryer at ${amount(23, '°C', units)} and 50 % it lasts`, duration(water.openHours)],
              ['Drying as stated', `${duration(water.dryingH)} at ${amount(water.dryingC, '°C', units)}`],
            ]}
          />
          <p className="mt-2 text-xs text-quiet">
            By diffusion, from the storage time of its {process.openHours === undefined ? 'family (typical)' : 'maker'}.
            Weighing is more reliable: dry when the mass is constant. Several spools at once: calculator “Which spools
            to dry together”.
          </p>
        </Panel>
      </div>
    </>
  );
}
