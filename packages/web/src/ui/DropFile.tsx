import { useRef } from 'react';
import { Button } from './Button.tsx';

/** A place to drop one file, or to choose it. */
export function DropFile({
  label,
  words,
  accept,
  onFile,
}: {
  label: string;
  words: string;
  accept: string;
  onFile: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const take = (file: File | undefined) => file && onFile(file);
  return (
    <div
      className="rounded border border-dashed border-line-strong px-3 py-3 text-center"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        take(event.dataTransfer.files[0]);
      }}
    >
      <p className="mb-2 text-sm text-quiet">{words}</p>
      <Button onClick={() => input.current?.click()}>Choose a file …</Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          take(event.target.files?.[0]);
          // The same file, changed meanwhile, may be chosen again.
          event.target.value = '';
        }}
      />
    </div>
  );
}
