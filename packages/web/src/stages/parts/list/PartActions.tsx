import type { Brief } from '@anvilstone/schema';
import { useNavigate } from 'react-router';
import { useCreatePartMutation, usePartsQuery } from '../../../sync/api/api.ts';
import { Button } from '../../../ui/Button.tsx';
import { copyOf, copyTitle, fileNameOf } from '../new/copyBrief.ts';

/** Duplicate the part, and take its brief along as a file. */
export function PartActions({ brief }: { brief: Brief }) {
  const navigate = useNavigate();
  const { data: parts } = usePartsQuery();
  const [create, creation] = useCreatePartMutation();
  const duplicate = async () => {
    const titles = (parts ?? []).map((part) => part.brief.title);
    const part = await create(copyOf(brief, copyTitle(brief.title, titles))).unwrap();
    await navigate(`/parts/${part.id}/brief`);
  };
  const save = () => {
    const url = URL.createObjectURL(new Blob([`${JSON.stringify(brief, null, 2)}\n`], { type: 'application/json' }));
    const link = document.createElement('a');
    link.href = url;
    link.download = fileNameOf(brief);
    link.click();
    URL.revokeObjectURL(url);
  };
  return (
    <>
      <Button
        look="quiet"
        disabled={creation.isLoading}
        onClick={() => void duplicate().catch(() => undefined)}
        title="New part with the same brief"
      >
        {creation.error === undefined ? 'Duplicate' : 'Duplicate failed: try again'}
      </Button>
      <Button look="quiet" onClick={save} title="The brief as a JSON file">
        Export
      </Button>
    </>
  );
}
