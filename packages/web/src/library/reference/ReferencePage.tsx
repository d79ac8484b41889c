import { knownOutcomes, OUTCOME_AREAS } from '@anvilstone/core/education';
import { families, referenceStatement } from '@anvilstone/core/materials';
import { tows, towStatement, towUncertainty } from '@anvilstone/core/materials/tables';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { StatusMark } from '../../ui/Reserve.tsx';
import { useSay } from '../../ui/useSay.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { TableHead } from '../../ui/TableHead.tsx';
import { PageHead } from '../../ui/PageHead.tsx';

const MORPHOLOGY = {
  amorphous: 'amorphous',
  semiCrystalline: 'semi-crystalline',
  elastomer: 'elastomer',
  support: 'support',
};

/** What stands in where a grade says nothing: typical values of families and continuous-fibre strands, evidence D. */
export function ReferencePage() {
  const units = useAppSelector((state) => state.settings.units);
  const stress = (value: number) => amount(value, 'MPa', units);
  const heat = (value: number | null) => (value === null ? 'does not apply' : amount(value, '°C', units));
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/grades" className="text-quiet hover:underline">
          ← All grades
        </Link>
      </p>
      <PageHead title="Polymer families and fibres" says="Typical values, used where nothing is measured." />
      <p className="my-2 max-w-200 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown">
        {referenceStatement} Evidence class D, not design allowables.
      </p>
      <section aria-label="Families" className="mb-6">
        <h2 className="mb-1 text-base">{families.length} polymer families, unfilled, printed flat, 23 °C, dry</h2>
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of families">
          <table className="w-full rounded-md border border-line bg-surface text-sm">
            <TableHead
              headings={[
                'Family',
                'Kind',
                'Modulus',
                'Strength',
                { title: 'Across layers', means: 'Upright over flat strength, low to high.' },
                'HDT 0.45 / 1.8 MPa',
                'Glass transition',
                'Water at 50 % RH',
                'Nozzle',
                'USD/kg',
              ]}
            />
            <tbody>
              {families.map((family) => (
                <tr key={family.id} className="border-b border-line align-top last:border-0">
                  <th scope="row" className="px-3 py-1 text-left font-semibold">
                    {family.name}
                    <span className="block max-w-90 text-xs font-normal text-quiet">{family.notes}</span>
                  </th>
                  <td className="px-3 py-1">{MORPHOLOGY[family.morphology]}</td>
                  <td className="px-3 py-1 whitespace-nowrap">{stress(family.tensileModulusXyMpa.mid)}</td>
                  <td className="px-3 py-1 whitespace-nowrap">{stress(family.tensileStrengthXyMpa.mid)}</td>
                  <td className="px-3 py-1 whitespace-nowrap">
                    {family.zToXyStrengthRatio.low} to {family.zToXyStrengthRatio.high}
                  </td>
                  <td className="px-3 py-1 whitespace-nowrap">
                    {family.hdt045C === null ? 'does not apply' : `${heat(family.hdt045C)} / ${heat(family.hdt180C)}`}
                  </td>
                  <td className="px-3 py-1 whitespace-nowrap">{heat(family.glassTransitionC)}</td>
                  <td className="px-3 py-1">{family.waterAt23C50RhPct} %</td>
                  <td className="px-3 py-1 whitespace-nowrap">{heat(family.nozzleC.mid)}</td>
                  <td className="px-3 py-1">{family.pricePerKgUsd.mid}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </section>
      <section aria-label="Strands">
        <h2 className="text-base">
          {tows.length} continuous-fibre strands, as printed, along the fibre (1) and across it (2)
        </h2>
        <p className="mb-1 max-w-200 text-sm text-quiet">
          {towStatement} {towUncertainty}
        </p>
        <table className="w-full rounded-md border border-line bg-surface text-sm">
          <TableHead
            headings={[
              'Strand',
              'Fibre share',
              'E1 / E2',
              'Tension 1 / 2',
              'Compression 1 / 2',
              'Shear',
              'Bend radius',
              'Service',
              'USD/cm³',
            ]}
          />
          <tbody>
            {tows.map((tow) => (
              <tr key={tow.id} className="border-b border-line align-top last:border-0">
                <th scope="row" className="px-3 py-1 text-left font-semibold">
                  {tow.name}
                  <span className="block max-w-90 text-xs font-normal text-unknown">{tow.handlingCaution}</span>
                </th>
                <td className="px-3 py-1">{Math.round(tow.fibreVolumeFraction * 100)} %</td>
                <td className="px-3 py-1">
                  {stress(tow.e1Mpa)} / {stress(tow.e2Mpa)}
                </td>
                <td className="px-3 py-1">
                  {stress(tow.xtMpa)} / {stress(tow.ytMpa)}
                </td>
                <td className="px-3 py-1">
                  {stress(tow.xcMpa)} / {stress(tow.ycMpa)}
                </td>
                <td className="px-3 py-1">{stress(tow.sMpa)}</td>
                <td className="px-3 py-1">{amount(tow.minimumBendRadiusMm, 'mm', units)}</td>
                <td className="px-3 py-1">{heat(tow.maxServiceC)}</td>
                <td className="px-3 py-1">{tow.pricePerCm3Usd}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <KnownOutcomes />
    </main>
  );
}

/** Facts of the field beside what the engine makes of them, worked out when asked for. */
function KnownOutcomes() {
  const [shown, setShown] = useState(false);
  const say = useSay();
  const all = shown ? knownOutcomes() : [];
  const missed = all.filter(({ hit }) => !hit).length;
  return (
    <section aria-label="Known outcomes" className="mt-6">
      <h2 className="mb-1 text-base">Known outcomes: accepted facts against the engine’s results</h2>
      {!shown && <Button onClick={() => setShown(true)}>Run the engine</Button>}
      {shown && (
        <>
          <p role="status" className="mb-2 text-sm">
            {all.length - missed} of {all.length} reproduced; {missed} not reproduced.
          </p>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Table of known outcomes">
            <table className="w-full rounded-md border border-line bg-surface text-sm">
              <TableHead headings={['Fact', 'Source', 'Engine', 'Agrees']} />
              {OUTCOME_AREAS.map((area) => (
                <tbody key={area}>
                  <tr className="border-b border-line bg-sunken">
                    <th scope="rowgroup" colSpan={4} className="px-3 py-1 text-left text-xs font-semibold">
                      {area}
                    </th>
                  </tr>
                  {all
                    .filter((one) => one.area === area)
                    .map(({ id, fact, source, says, hit }) => (
                      <tr key={id} className="border-b border-line align-top last:border-0">
                        <th scope="row" className="px-3 py-1 text-left font-normal">
                          {say(fact)}
                        </th>
                        <td className="px-3 py-1 text-xs text-quiet">{say(source)}</td>
                        <td className="px-3 py-1">{say(says)}</td>
                        <td className="px-3 py-1 whitespace-nowrap">
                          <StatusMark status={hit ? 'pass' : 'fail'} /> {hit ? 'hit' : 'miss'}
                        </td>
                      </tr>
                    ))}
                </tbody>
              ))}
            </table>
          </div>
        </>
      )}
    </section>
  );
}
