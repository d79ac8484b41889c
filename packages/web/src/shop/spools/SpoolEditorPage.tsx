import { PageHeading } from '../../ui/PageHeading.tsx';
import type { Spool, SpoolRecord, Stock } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextArea, TextField } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SaveProblem } from '../../ui/SaveProblem.tsx';
import { useLibrary } from '../../workers/useLibrary.ts';
import type { Workshop } from '../../workers/workshop.ts';
import { useSaveSpoolMutation, useStockQuery } from './spoolsApi.ts';

/** A new spool by what its label says, or one to be corrected. */
export function SpoolEditorPage() {
  const { spoolId } = useParams();
  const { data: stock, error } = useStockQuery();
  const { library } = useLibrary();
  const [search] = useSearchParams();
  if (error) return <ProblemNotice error={error} />;
  if (!stock || !library) return <Loading what="the spool" />;
  const found = stock.spools.find(({ spool }) => spool.id === spoolId);
  if (spoolId !== undefined && !found)
    return (
      <main className="p-5">
        There is no spool “{spoolId}”. <Link to="/spools">All spools</Link>
      </main>
    );
  return (
    <Editor
      key={spoolId ?? 'new'}
      stored={found?.spool ?? blank(stock, library, search.get('grade'))}
      revision={found?.revision ?? 0}
      stock={stock}
      library={library}
    />
  );
}

function blank(stock: Stock, library: Workshop, gradeId: string | null): Spool {
  let number = 1;
  const idOf = () => `S-${String(number).padStart(2, '0')}`;
  while (stock.spools.some(({ spool }) => spool.id === idOf())) number += 1;
  const grade = library.grades.find(({ id }) => id === gradeId) ?? library.grades[0];
  return {
    id: idOf(),
    gradeId: grade?.id ?? '',
    colour: grade?.colours[0] ?? '',
    filamentDiameterMm: 1.75,
    netMassG: 1000,
    emptyReelG: 230,
    placeId: stock.places[0]?.place.id ?? null,
    events: [],
    sampleData: false,
  };
}

function Editor({
  stored,
  revision: read,
  stock,
  library,
}: {
  stored: Spool;
  revision: number;
  stock: Stock;
  library: Workshop;
}) {
  const navigate = useNavigate();
  const [spool, setSpool] = useState(stored);
  const [revision, setRevision] = useState(read);
  const [save, { error, isLoading, reset }] = useSaveSpoolMutation();
  const change = (next: Partial<Spool>) => setSpool({ ...spool, ...next });
  const grades = useMemo(() => [...library.grades].sort((a, b) => a.name.localeCompare(b.name)), [library]);
  const grade = grades.find(({ id }) => id === spool.gradeId);
  const isNew = read === 0;
  const taken = isNew && stock.spools.some((one) => one.spool.id === spool.id);
  const idFault = taken
    ? 'A spool with this name exists already.'
    : /^[A-Z][A-Z0-9-]{1,15}$/.test(spool.id)
      ? undefined
      : '2 to 16 capitals, digits and dashes, starting with a letter.';
  const optional = <K extends 'lot' | 'note'>(key: K, text: string) => {
    const { [key]: _before, ...rest } = spool;
    setSpool(text === '' ? (rest as Spool) : { ...(rest as Spool), [key]: text });
  };
  return (
    <main className="max-w-200 p-5">
      <p className="text-sm">
        <Link to={isNew ? '/spools' : `/spools/${spool.id}`} className="text-quiet hover:underline">
          ← {isNew ? 'All spools' : spool.id}
        </Link>
      </p>
      <PageHeading className="mb-4 text-xl">{isNew ? 'A new spool' : `Change ${stored.id}`}</PageHeading>
      <div className="grid grid-cols-2 gap-3 rounded-md border border-line bg-surface p-4">
        {isNew ? (
          <TextField
            label="Short name on its label"
            value={spool.id}
            maxLength={16}
            error={idFault}
            onChange={(id) => change({ id: id.toUpperCase() })}
          />
        ) : (
          <p className="self-end pb-2 text-quiet">{spool.id} cannot change: it is printed on labels.</p>
        )}
        <Choice
          label="Grade"
          value={spool.gradeId}
          options={grades.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(gradeId) => {
            const next = grades.find(({ id }) => id === gradeId);
            change({
              gradeId,
              colour: next?.colours.includes(spool.colour) ? spool.colour : (next?.colours[0] ?? spool.colour),
            });
          }}
        />
        <TextField label="Colour" value={spool.colour} maxLength={40} onChange={(colour) => change({ colour })} />
        <TextField
          label="Lot, if stated"
          value={spool.lot ?? ''}
          maxLength={200}
          onChange={(lot) => optional('lot', lot)}
        />
        <QuantityField
          label="Net mass when new"
          dimension="mass"
          value={spool.netMassG}
          bounds={{ exclusiveMinimum: 0, maximum: 25000 }}
          onChange={(netMassG) => change({ netMassG })}
        />
        <QuantityField
          label="Empty reel"
          dimension="mass"
          value={spool.emptyReelG}
          bounds={{ minimum: 0, maximum: 30000 }}
          onChange={(emptyReelG) => change({ emptyReelG })}
        />
        <QuantityField
          label="Filament diameter"
          dimension="length"
          value={spool.filamentDiameterMm}
          bounds={{ minimum: 1, maximum: 4 }}
          onChange={(filamentDiameterMm) => change({ filamentDiameterMm })}
        />
        <QuantityField
          label="Price paid"
          dimension="money"
          value={spool.pricePaidUsd}
          bounds={{ minimum: 0, maximum: 100000 }}
          onChange={(pricePaidUsd) => change({ pricePaidUsd })}
          onClear={() => {
            const { pricePaidUsd: _before, ...rest } = spool;
            setSpool(rest);
          }}
        />
        <Choice
          label="Supply"
          value={spool.supply ?? 'open'}
          options={[
            { value: 'open', label: 'open: any machine' },
            { value: 'closed', label: 'closed: its maker’s machines only' },
          ]}
          onChange={(supply) => change({ supply })}
        />
        {isNew && (
          <Choice
            label="Location"
            value={spool.placeId ?? ''}
            options={[
              { value: '', label: 'unknown location' },
              ...stock.places.map(({ place }) => ({ value: place.id, label: place.name })),
            ]}
            onChange={(placeId) => change({ placeId: placeId === '' ? null : placeId })}
          />
        )}
        <div className="col-span-2">
          <TextArea label="Remarks" rows={2} value={spool.note ?? ''} onChange={(note) => optional('note', note)} />
        </div>
      </div>
      <SaveProblem<SpoolRecord>
        error={error}
        onTakeNewer={(newer) => {
          reset();
          setSpool(newer.spool);
          setRevision(newer.revision);
        }}
      />
      <Button
        look="primary"
        className="mt-3"
        disabled={isLoading || idFault !== undefined || !grade || spool.colour.trim() === ''}
        onClick={() =>
          void save({ spool, revision })
            .unwrap()
            .then(() => navigate(`/spools/${spool.id}`))
            .catch(() => undefined)
        }
      >
        Save it
      </Button>
    </main>
  );
}
