import type { Job, RecordsCheck } from '@anvilstone/schema';

interface ResultWords {
  words: string;
  isBad: boolean;
  records: RecordsCheck['differing'];
}

/** What came of a job, in words. Undefined: there is nothing to say beside that it is done. */
export function resultWords({ kind, result }: Job): ResultWords | undefined {
  if (result === null) return undefined;
  if (kind === 'check-records') {
    const { checked, differing } = result as RecordsCheck;
    return {
      words:
        checked === 0
          ? 'There are no records yet.'
          : differing.length === 0
            ? `All ${checked} records agree with what was frozen.`
            : `${differing.length} of ${checked} records differ from what was frozen:`,
      isBad: differing.length > 0,
      records: differing,
    };
  }
  if (kind === 'back-up') {
    const { name, bytes } = result as { name: string; bytes: number };
    return { words: `${name}, ${(bytes / 1e6).toFixed(1)} MB`, isBad: false, records: [] };
  }
  if (kind === 'restore') {
    const { tables } = result as { tables: { added: number; kept: number }[] };
    const [added, kept] = [sum(tables.map((one) => one.added)), sum(tables.map((one) => one.kept))];
    return {
      words: `${added} records added${kept > 0 ? `, ${kept} existed already` : ''}`,
      isBad: false,
      records: [],
    };
  }
  return undefined;
}

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
