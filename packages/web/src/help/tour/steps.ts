/** One stop of the look around. */
export interface GuideStep {
  /** Below the part; undefined: the list of parts. */
  stage?: string;
  /** What is framed, the first that is found. */
  frames: (partId: string) => string;
  title: string;
  text: string;
}

/** From what a part must do to what was decided, a quarter of a minute each. */
export const GUIDE_STEPS: readonly GuideStep[] = [
  {
    frames: (partId) => `tr:has(a[href*="/parts/${partId}/"])`,
    title: 'One row per part',
    text: 'It shows the leading grade, the governing check and its reserve factor: 1.17 means 17 % margin. Below 1 it fails.',
  },
  {
    stage: 'brief',
    frames: () => 'section[aria-label="Loads"]',
    title: 'It starts with the brief',
    text: 'Every load has a size, a duration and a temperature. “For two years at 45 °C” is what makes a plastic creep; without it there is no warning.',
  },
  {
    stage: 'brief',
    frames: () => '[aria-label="Remaining grades after each requirement"]',
    title: 'Each requirement removes grades',
    text: 'Change any number on the left: this follows at once. If no grade remains, you see which requirement was too strict.',
  },
  {
    stage: 'shortlist',
    frames: () => '[aria-label="Reserves"] tbody tr',
    title: 'What survives, and why',
    text: 'One row per grade, one column per check. The warm frame marks the governing check. The letter is the evidence class; D is only typical of the family. Select a reserve factor for its calculation.',
  },
  {
    stage: 'shortlist',
    frames: () => '[aria-label="Ranked by"]',
    title: 'Ranked by which method?',
    text: 'The lowest cost leads, unless you choose the highest minimum reserve, the lowest mass, or your own weights.',
  },
  {
    stage: 'build',
    frames: () => '[aria-label="Checks by build orientation"]',
    title: 'Build orientation is half of the strength',
    text: 'Layers separate more easily than they break. Every build orientation is checked, tilts, walls, infill and fibre included.',
  },
  {
    stage: 'plan',
    frames: () => 'main section[aria-label]',
    title: 'Can it be printed, and at what cost?',
    text: 'Machines and upgrades, a process card, drying, and safety cautions.',
  },
  {
    stage: 'bench',
    frames: () => 'main table',
    title: 'Do the tests confirm it?',
    text: 'The most useful tests come first, with their predicted results. Measurements become evidence, and the shortlist follows.',
  },
  {
    stage: 'decision',
    frames: () => 'main article, section[aria-label="Decide"]',
    title: 'Decided and recorded',
    text: 'Frozen with all its inputs. If evidence changes later, the record shows that it would now differ, and why. The app approves nothing: a responsible engineer signs.',
  },
];
