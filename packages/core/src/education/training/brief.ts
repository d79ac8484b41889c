import type { Brief } from '@anvilstone/schema';

type Parts = Pick<Brief, 'title' | 'purpose' | 'part' | 'loadCases'> & Partial<Brief>;

/** A brief of which only what matters to the case has to be said. */
export const practiceBrief = (brief: Parts): Brief => ({
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  asks: {},
  ...brief,
});
