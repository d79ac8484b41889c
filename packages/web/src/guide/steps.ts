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
    title: 'A part is a row',
    text: 'It says which grade leads, which check governs, and how much is left: a reserve of 1.17 means 17 % more than is asked. Below 1 it fails.',
  },
  {
    stage: 'brief',
    frames: () => 'section[aria-label="Loads"]',
    title: 'It starts with what the part must do',
    text: 'Every load has a size, a time and a temperature. “For two years at 45 °C” is what makes a plastic sag; a brief without it cannot warn you.',
  },
  {
    stage: 'brief',
    frames: () => '[aria-label="Grades still standing after each ask"]',
    title: 'Each ask costs grades',
    text: 'Change any number on the left: this follows at once. If nothing is left standing, you see which ask was too much.',
  },
  {
    stage: 'shortlist',
    frames: () => '[aria-label="Reserves"] tbody tr',
    title: 'What survives, and why',
    text: 'One row a grade, one column a check. The warm frame governs: improving anything else changes nothing. The letter says how good the evidence is; D is only typical of the family. Press a reserve for its arithmetic.',
  },
  {
    stage: 'shortlist',
    frames: () => '[aria-label="Ranked by"]',
    title: 'First by which rule?',
    text: 'The cheapest that passes leads, unless you want the strongest weakest link, the lightest, or your own weights.',
  },
  {
    stage: 'build',
    frames: () => '[aria-label="Checks in each way up"]',
    title: 'Which way up is half of the strength',
    text: 'Layers come apart more easily than they break. Every way up is judged, tilts too, and walls, infill and fibre beside them.',
  },
  {
    stage: 'plan',
    frames: () => 'main section[aria-label]',
    title: 'Can we print it, and what does it cost?',
    text: 'Machines that cannot, with the upgrade that would help; a card to hang by the machine; when to dry the spool; what to mind for your own health.',
  },
  {
    stage: 'bench',
    frames: () => 'main table',
    title: 'Is it true?',
    text: 'Tests that would settle most come first, with what they are foretold to show. What you measure becomes evidence, and the shortlist follows.',
  },
  {
    stage: 'decision',
    frames: () => 'main article, section[aria-label="Decide"]',
    title: 'Decided, on these grounds',
    text: 'Frozen with all it was computed from. If evidence changes later, it says that it would now differ, and why. The app approves nothing: a responsible engineer signs.',
  },
];
