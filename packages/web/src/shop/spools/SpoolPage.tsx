import { PageHeading } from '../../ui/PageHeading.tsx';
import { useParams, Link, useNavigate } from 'react-router';
import type { Grade, SpoolInStock, Stock } from '@anvilstone/schema';
import { useAppSelector } from '../../sync/store/store.ts';
import { API, hereAddress } from '../../sync/address/place.ts';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { amount, duration } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import { MoistureMark } from './MoistureMark.tsx';
import { NeedPanel } from './NeedPanel.tsx';
import { SpoolHistory } from './SpoolHistory.tsx';
import { useRemoveSpoolMutation, useStockQuery } from './spoolsApi.ts';
import { WeighPanel } from './WeighPanel.tsx';
import { WritePanel } from './WritePanel.tsx';
import { FactList } from '../../ui/FactList.tsx';

/** One spool: how wet, how much is left, where it lies, what happened to it, and everything that can happen next. */
export function SpoolPage() {
  const { spoolId } = useParams();
  const { data: stock, error } = useStockQuery();
  const { library } = useLibrary();
  if (error) return <ProblemNotice error={error} />;
  if (!stock || !library) return <Loading what="the spool" />;
  const one = stock.spools.find(({ spool }) => spool.id === spoolId);
  if (!one)
    return (
      <main className="p-5">
        There is no spool “{spoolId}”. <Link to="/spools">All spools</Link>
      </main>
    );
  const grade = library.grades.find(({ id }) => id === one.spool.gradeId);
  return <Shown key={one.spool.id} one={one} grade={grade} stock={stock} />;
}

function Shown({ one, grade, stock }: { one: SpoolInStock; grade: Grade | undefined; stock: Stock }) {
  const { spool, revision, clock } = one;
  const [remove, { error }] = useRemoveSpoolMutation();
  const navigate = useNavigate();
  const labels = `${API}/spools/labels.pdf?base=${encodeURIComponent(hereAddress())}&ids=${spool.id}`;
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/spools" className="text-quiet hover:underline">
          ← All spools
        </Link>
      </p>
      <div className="mb-4 flex items-start justify-between gap-4">
        <div>
          <PageHeading>
            {spool.id}{' '}
            <span className="font-normal">
              {grade ? (
                <Link to={`/grades/${grade.id}`} className="hover:underline">
                  {grade.name}
                </Link>
              ) : (
                spool.gradeId
              )}
              , {spool.colour}
            </span>
          </PageHeading>
          <p className="mt-1 text-base" role="status">
            <MoistureMark clock={clock} />
          </p>
        </div>
        <span className="flex gap-2">
          <a href={labels} className={buttonLook()}>
            Label (PDF)
          </a>
          <Link to={`/spools/${spool.id}/edit`} className={buttonLook()}>
            Change
          </Link>
          <HistoryButton kind="spools" record={spool.id} title={spool.id} />
          <ConfirmRemoval
            name={spool.id}
            error={error}
            onRemove={() =>
              void remove({ id: spool.id, revision })
                .unwrap()
                .then(() => navigate('/spools'))
                .catch(() => undefined)
            }
          >
            Its history is deleted too. Mark a used-up spool as empty instead.
          </ConfirmRemoval>
        </span>
      </div>
      <div className="grid grid-cols-[20rem_minmax(0,1fr)_20rem] narrow:grid-cols-1 items-start gap-4">
        <Facts one={one} stock={stock} />
        <SpoolHistory spool={spool} places={stock.places} />
        <div className="flex flex-col gap-4">
          <WeighPanel one={one} />
          <WritePanel one={one} grade={grade} places={stock.places} />
          <NeedPanel one={one} />
        </div>
      </div>
    </main>
  );
}

function Facts({ one: { spool, clock, massG, weighedAt }, stock }: { one: SpoolInStock; stock: Stock }) {
  const units = useAppSelector((state) => state.settings.units);
  const place = stock.places.find(({ place: { id } }) => id === spool.placeId)?.place;
  const price = spool.pricePaidUsd;
  const rows: [string, string][] = [
    ['Left', `${amount(massG, 'g', units)} of ${amount(spool.netMassG, 'g', units)}`],
    ['Basis', weighedAt ? `weighed ${moment(Date.parse(weighedAt))}` : 'label, never weighed'],
    ['Where', place?.name ?? 'unknown location'],
    ['Lot', spool.lot ?? 'not stated'],
    ['Filament', `${spool.filamentDiameterMm} mm`],
    ['Empty reel', amount(spool.emptyReelG, 'g', units)],
    [
      'Paid',
      price === undefined
        ? 'not known'
        : `${price.toFixed(2)} USD, ${((1000 * price) / spool.netMassG).toFixed(2)} USD/kg`,
    ],
    ['Supply', spool.supply === 'closed' ? 'closed: its maker’s machines only' : 'open'],
    ['Opened', spool.openedAt ? moment(Date.parse(spool.openedAt)) : 'sealed as delivered'],
  ];
  const clockRows: [string, string][] = clock
    ? [
        ['Water', `${(100 * clock.fraction).toFixed(0)} % of equilibrium at 50 % RH; too wet from 20 %`],
        [
          'Calculated from',
          clock.startedAs === 'dried'
            ? `its last drying, ${moment(Date.parse(clock.sinceAt!))}`
            : clock.startedAs === 'sealed'
              ? 'unknown: makers pack with different moisture'
              : 'opening, at room equilibrium: never dried',
        ],
        ...(clock.gapH >= 0.1
          ? [['Not logged', `${duration(clock.gapH)}: assumed at the highest likely humidity`] as [string, string]]
          : []),
        ...(clock.assumedH >= 0.1
          ? [['No logger', `${duration(clock.assumedH)}: assumed at its usual humidity`] as [string, string]]
          : []),
      ]
    : [];
  return (
    <Panel title="Details">
      <FactList rows={[...rows, ...clockRows]} />
      {spool.note && <p className="mt-2 text-xs">{spool.note}</p>}
      {spool.sampleData && <p className="mt-2 text-xs text-unknown">sample data</p>}
    </Panel>
  );
}
