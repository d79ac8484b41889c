import qrcode from 'qrcode';
import { useMemo } from 'react';
import { hereAddress } from '../../sync/address/place.ts';

/** A code on the paper that leads back to this card on the screen. */
export function CardCode({ path }: { path: string }) {
  const url = `${hereAddress()}${path}`;
  const code = useMemo(() => {
    const { modules } = qrcode.create(url, { errorCorrectionLevel: 'M' });
    let shape = '';
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) shape += `M${x} ${y}h1v1h-1z`;
    return { size: modules.size, shape };
  }, [url]);
  return (
    <svg
      role="img"
      aria-label={`Code that leads to ${url}`}
      viewBox={`-3 -3 ${code.size + 6} ${code.size + 6}`}
      className="size-24 shrink-0 bg-white"
    >
      <path d={code.shape} fill="#000" />
    </svg>
  );
}
