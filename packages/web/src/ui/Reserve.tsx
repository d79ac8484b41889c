import { formatReserve } from '@anvilstone/core/foundations';
import type { CheckStatus, EvidenceClass } from '@anvilstone/schema';

const LOOKS: Record<CheckStatus, { word: string; colour: string; shape: string }> = {
  pass: { word: 'passes', colour: 'text-pass', shape: 'M2 7.5 5.5 11 12 3' },
  fail: { word: 'fails', colour: 'text-fail', shape: 'M3 3l8 8M11 3l-8 8' },
  unknown: {
    word: 'unknown',
    colour: 'text-unknown',
    shape: 'M4.5 5a2.5 2.5 0 1 1 3.6 2.2C7.2 7.7 7 8.2 7 9m0 2.4v.2',
  },
  'not-loaded': { word: 'not stressed this way', colour: 'text-quiet', shape: 'M3 7h8' },
};

export const statusWord = (status: CheckStatus) => LOOKS[status].word;

/** A pass on typical values alone is no promise: its mark is drawn thin, and its word says so. */
const isTypicalPass = (status: CheckStatus, evidence: EvidenceClass | null | undefined) =>
  status === 'pass' && evidence === 'D';
export const statusWords = (status: CheckStatus, evidence: EvidenceClass | null) =>
  isTypicalPass(status, evidence) ? 'passes on typical values, not tested' : LOOKS[status].word;

/** The one way a status looks: a shape of its own, a colour, and a word for those who see neither. */
export function StatusMark({ status, evidence }: { status: CheckStatus; evidence?: EvidenceClass | null }) {
  const { colour, shape } = LOOKS[status];
  const word = statusWords(status, evidence ?? null);
  return (
    <svg
      viewBox="0 0 14 14"
      role="img"
      aria-label={word}
      className={`inline-block size-3.5 shrink-0 fill-none stroke-current ${isTypicalPass(status, evidence) ? 'stroke-1' : 'stroke-2'} ${colour}`}
    >
      <path d={shape} strokeLinecap="round" strokeLinejoin="round" />
    </svg>
  );
}

export function Reserve({
  reserve,
  status,
  evidence,
}: {
  reserve: number | null;
  status: CheckStatus;
  evidence?: EvidenceClass | null;
}) {
  return (
    <span className={`inline-flex items-center gap-1 whitespace-nowrap ${LOOKS[status].colour}`}>
      <StatusMark status={status} {...(evidence === undefined ? {} : { evidence })} />
      {reserve === null ? (status === 'unknown' ? 'unknown' : '') : formatReserve(reserve)}
    </span>
  );
}

const EVIDENCE: Record<EvidenceClass, string> = {
  A: 'Own bench, five or more specimens',
  B: 'Own bench, three or more, or a data sheet on printed specimens at this condition',
  C: 'Adjusted from another condition',
  D: 'Typical of the family: an estimate',
};

export function Evidence({ evidence }: { evidence: EvidenceClass | null }) {
  if (evidence === null) return null;
  return (
    <abbr
      title={`Evidence ${evidence}: ${EVIDENCE[evidence]}`}
      className={`rounded-sm border px-1 text-[0.6875rem] no-underline ${evidence === 'D' ? 'border-dashed border-unknown text-unknown' : 'border-line text-quiet'}`}
    >
      {evidence}
    </abbr>
  );
}
