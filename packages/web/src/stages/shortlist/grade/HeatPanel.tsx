import type { EvaluationEntry } from '@anvilstone/schema';

import { useMemo } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { ReserveCurve } from '../../../charts/ReserveCurve.tsx';
import { usePartContext } from '../../parts/partContext.ts';
import { amount } from '../../../ui/amount.ts';

import { useAnswer } from '../../../workers/useAnswer.ts';

const STEPS = 41;
/** Which of the three limits it is. */
const BEYOND = {
  load: ', limited by its loads',
  form: ', its form limit',
  ageing: ', limited by thermal ageing',
} as const;

/** How the reserve falls as the part gets hotter: the service temperature limit, beside what the data sheet's HDT would suggest. */
export function HeatPanel({ gradeId, entry }: { gradeId: string; entry: EvaluationEntry }) {
  const { orientation, ownHeatLimitC: limitC, ownHeatLimitBy: by } = entry;
  const { brief, library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const { steadyC, peak } = brief.asks.heat ?? {};
  const hottestC = Math.max(100, (limitC ?? 0) + 25, (steadyC ?? 0) + 15, (peak?.temperatureC ?? 0) + 15);
  const temperaturesC = useMemo(
    () => Array.from({ length: STEPS }, (_, i) => 20 + ((hottestC - 20) * i) / (STEPS - 1)),
    [hottestC],
  );
  const { value: points } = useAnswer(library, 'reserveOverTemperature', [brief, gradeId, orientation, temperaturesC]);
  const grade = library.grades.find((one) => one.id === gradeId);
  const hdt = (grade?.observations ?? []).filter(
    (one) => one.property === 'heatDeflectionTemperature' && one.value !== undefined,
  );
  if (!points) return null;
  return (
    <section aria-label="Reserve over temperature" className="mt-5">
      <h3 className="text-base">Reserve factor against temperature</h3>
      {points.length === 0 || limitC === null ? (
        <p className="text-unknown">Unknown: this grade’s behaviour in heat is not known.</p>
      ) : (
        <>
          <p className="text-quiet">
            {limitC <= -80
              ? 'It fails at every temperature.'
              : `With these loads for their whole duration the limit under load is ${amount(limitC, '°C', units)}${by ? BEYOND[by] : ''}${peak ? '; peaks are checked separately' : ''}.`}
            {hdt.length > 0 &&
              ` The grade’s data give an HDT of ${hdt.map((one) => `${amount(one.value!, '°C', units)} ${one.hdtStressMPa ? `at ${one.hdtStressMPa} MPa` : '(stress not stated)'}`).join(' and ')}.`}
          </p>
          <ReserveCurve
            points={points}
            marks={[
              ...(steadyC === undefined ? [] : [{ temperatureC: steadyC, label: 'steady' }]),
              ...(peak === undefined ? [] : [{ temperatureC: peak.temperatureC, label: 'peak' }]),
            ]}
            limitC={limitC}
          />
        </>
      )}
    </section>
  );
}
