import { useId } from 'react';
import { Button } from './Button.tsx';

export interface Photo {
  id: string;
  name: string;
  mediaType: string;
}

/** Photos and notes, with a way to add one and to remove each. */
export function Photos({
  photos,
  hrefOf,
  busy,
  onAdd,
  onRemove,
}: {
  photos: readonly Photo[];
  hrefOf: (id: string) => string;
  busy: boolean;
  onAdd: (file: File) => void;
  onRemove: (id: string) => void;
}) {
  const id = useId();
  return (
    <>
      <ul className="flex flex-wrap gap-3">
        {photos.map((one) => (
          <li key={one.id} className="w-36 text-xs">
            {one.mediaType.startsWith('image/') ? (
              <a href={hrefOf(one.id)} target="_blank" rel="noreferrer">
                <img
                  src={hrefOf(one.id)}
                  alt={one.name}
                  className="h-24 w-36 rounded border border-line object-cover"
                />
              </a>
            ) : (
              <a href={hrefOf(one.id)} className="block underline">
                {one.name}
              </a>
            )}
            <Button look="quiet" aria-label={`Remove ${one.name}`} onClick={() => onRemove(one.id)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <label htmlFor={id} className="no-print block text-xs text-quiet">
        Add a photo, a text or a PDF
      </label>
      <input
        id={id}
        type="file"
        accept="image/png,image/jpeg,image/webp,text/plain,application/pdf"
        disabled={busy}
        className="no-print text-sm"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onAdd(file);
          event.target.value = '';
        }}
      />
    </>
  );
}
