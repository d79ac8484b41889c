import { PageHeading } from '../../ui/PageHeading.tsx';
import { spool as spoolSchema, type Spool, type SpoolRecord, type Stock } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
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

const SpoolField = FormField<Spool>;
/** One that says nothing is open. */
const CLOSED_SUPPLY = [{ value: 'closed', label: 'closed: its maker’s machines only' }];

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
  const form = useRecordForm<Spool>(spoolSchema, stored);
  const spool = form.values;
  const [revision, setRevision] = useState(read);
  const [save, { error, isLoading, reset }] = useSaveSpoolMutation();
  const grades = useMemo(() => [...library.grades].sort((a, b) => a.name.localeCompare(b.name)), [library]);
  const grade = grades.find(({ id }) => id === spool.gradeId);
  const isNew = read === 0;
  const taken = isNew && stock.spools.some((one) => one.spool.id === spool.id);
  const idFault = taken
    ? 'A spool with this name exists already.'
    : new RegExp(spoolSchema.properties.id.pattern!).test(spool.id)
      ? undefined
      : '2 to 16 capitals, digits and dashes, starting with a letter.';
  return (
    <main className="max-w-200 p-5">
      <p className="text-sm">
        <Link to={isNew ? '/spools' : `/spools/${spool.id}`} className="text-quiet hover:underline">
          ← {isNew ? 'All spools' : spool.id}
        </Link>
      </p>
      <PageHeading className="mb-4 text-xl">{isNew ? 'A new spool' : `Change ${stored.id}`}</PageHeading>
      <RecordForm form={form} error={error} at="/spool">
        <div className="grid grid-cols-2 gap-3 rounded-md border border-line bg-surface p-4">
          {isNew ? (
            <SpoolField
              name="id"
              label="Short name on its label"
              fault={idFault}
              onChanged={(id) => form.setValue('id', String(id).toUpperCase())}
            />
          ) : (
            <p className="self-end pb-2 text-quiet">{spool.id} cannot change: it is printed on labels.</p>
          )}
          <SpoolField
            name="gradeId"
            label="Grade"
            options={grades.map(({ id, name }) => ({ value: id, label: name }))}
            onChanged={(id) => {
              const { colours = [] } = grades.find((one) => one.id === id) ?? {};
              if (colours[0] !== undefined && !colours.includes(spool.colour)) form.setValue('colour', colours[0]);
            }}
          />
          <SpoolField name="colour" label="Colour" />
          <SpoolField name="lot" label="Lot, if stated" />
          <SpoolField name="netMassG" label="Net mass when new" />
          <SpoolField name="emptyReelG" label="Empty reel" />
          <SpoolField name="filamentDiameterMm" label="Filament diameter" />
          <SpoolField name="pricePaidUsd" label="Price paid" />
          <SpoolField name="supply" label="Supply" none="open: any machine" options={CLOSED_SUPPLY} />
          {isNew && (
            <SpoolField
              name="placeId"
              label="Location"
              none="unknown location"
              options={stock.places.map(({ place }) => ({ value: place.id, label: place.name }))}
            />
          )}
          <div className="col-span-2">
            <SpoolField name="note" />
          </div>
        </div>
      </RecordForm>
      <SaveProblem<SpoolRecord>
        error={error}
        onTakeNewer={(newer) => {
          reset();
          form.reset(newer.spool);
          setRevision(newer.revision);
        }}
      />
      <Button
        look="primary"
        className="mt-3"
        disabled={isLoading || idFault !== undefined || !grade || !form.isComplete}
        onClick={() =>
          void save({ spool: form.entered(), revision })
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
