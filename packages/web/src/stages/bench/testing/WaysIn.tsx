import { advantageOf, findMethod } from '@anvilstone/core/evidence';
import type { Campaign, Specimen } from '@anvilstone/schema';
import { useId, useState } from 'react';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { useInstrumentsQuery } from '../../../shop/instruments/instrumentsApi.ts';
import { Button } from '../../../ui/Button.tsx';
import { Tick } from '../../../ui/fields.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useImportCurveMutation, useStartRunMutation } from '../benchApi.ts';

/** From instruments, or out of a file. */
export function WaysIn({ campaign, specimen }: { campaign: Campaign; specimen: Specimen }) {
  const { data: instruments } = useInstrumentsQuery(undefined, { pollingInterval: 5000 });
  const [start, { error, isLoading }] = useStartRunMutation();
  const [read, { error: notRead, isLoading: reading, data: last }] = useImportCurveMutation();
  const [shielded, setShielded] = useState(false);
  const fileId = useId();
  const [, set] = useAddress();
  const method = findMethod(campaign.methodId)!;
  const wanted = method.capture === 'force' ? 'force-gauge' : 'displacement-gauge';
  const gauge = instruments?.find(({ kind }) => kind === wanted);
  const which = { campaignId: campaign.id, specimenId: specimen.id };
  const times = advantageOf(campaign.setUp);
  return (
    <div className="mt-3 grid grid-cols-2 narrow:grid-cols-1 gap-4">
      <div>
        <h3 className="text-sm">From instruments</h3>
        {!gauge && <p className="text-sm text-quiet">No gauge connected: read a file or enter the result.</p>}
        {gauge && (
          <>
            <Tick
              label={
                method.capture === 'force'
                  ? 'Shield up, tethered, nobody in line with the load'
                  : 'Nobody is below the weight'
              }
              checked={shielded}
              onChange={setShielded}
            />
            <Button
              look="primary"
              className="mt-1"
              disabled={!shielded || isLoading}
              onClick={() => {
                // It stays in sight when it is done, and the next one is a click away.
                set({ specimen: specimen.id }, true);
                void start(which).catch(() => undefined);
              }}
            >
              {isLoading ? 'Setting to zero …' : 'Set to zero and load slowly'}
            </Button>
            <p className="mt-1 text-xs text-quiet">
              {gauge.name}
              {times !== 1 &&
                method.capture === 'force' &&
                `; the specimen feels ${times.toFixed(2)} times what it reads`}
              . The run continues when this page is closed or the server restarts.
            </p>
          </>
        )}
        {error !== undefined && <ProblemNotice error={error} />}
      </div>
      <div>
        <h3 className="text-sm">From file</h3>
        <label htmlFor={fileId} className="block text-xs text-quiet">
          CSV with a header: {method.capture === 'force' ? 'displacement and force' : 'time and movement'}, with their
          units
        </label>
        <input
          id={fileId}
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          disabled={reading}
          className="mt-1 w-full text-sm"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) {
              set({ specimen: specimen.id }, true);
              void read({ ...which, file }).catch(() => undefined);
            }
            event.target.value = '';
          }}
        />
        {reading && <p className="text-sm text-quiet">Reading …</p>}
        {notRead !== undefined && <ProblemNotice error={notRead} />}
        {last && <p className="text-xs text-quiet">{last.taken.join('; ')}</p>}
      </div>
    </div>
  );
}
