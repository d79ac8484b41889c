import type { AgentRecord } from '@anvilstone/schema';

type Rating = AgentRecord['rating'];

const LOOKS: Record<Rating, { word: string; colour: string; shape: string }> = {
  resistant: { word: 'resistant', colour: 'text-pass', shape: 'M2 7.5 5.5 11 12 3' },
  limited: { word: 'limited', colour: 'text-unknown', shape: 'M2 9c2-5 4-5 5-2s3 3 5-2' },
  unsuitable: { word: 'not resistant', colour: 'text-fail', shape: 'M3 3l8 8M11 3l-8 8' },
  unknown: {
    word: 'not known',
    colour: 'text-quiet',
    shape: 'M4.5 5a2.5 2.5 0 1 1 3.6 2.2C7.2 7.7 7 8.2 7 9m0 2.4v.2',
  },
};

export const ratingWord = (rating: Rating) => LOOKS[rating].word;

/** How a family stands in an agent: a shape and a colour, with a crack beside it where tension opens one. */
export function RatingMark({ rating, stressCrack }: { rating: Rating; stressCrack: boolean }) {
  const { word, colour, shape } = LOOKS[rating];
  const label = stressCrack ? `${word}, cracks under tension` : word;
  return (
    <svg
      viewBox="0 0 24 14"
      role="img"
      aria-label={label}
      className={`inline-block h-3.5 w-6 fill-none stroke-current stroke-2 ${colour}`}
    >
      <path d={shape} strokeLinecap="round" strokeLinejoin="round" />
      {stressCrack && <path d="m18 1 3 4-4 3 3 5" className="stroke-fail" strokeWidth="1.6" strokeLinejoin="round" />}
    </svg>
  );
}
