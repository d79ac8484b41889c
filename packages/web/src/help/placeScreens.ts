import type { ScreenHelp } from './screens.ts';

/** All that is not one part’s. */
export const PLACE_SCREENS: readonly ScreenHelp[] = [
  {
    path: '/parts',
    title: 'Parts',
    question: 'What am I working on, and what is due?',
    does: [
      'Start a new part from what it does, from a template, or from a brief in a file.',
      'Open one: its stages run from what it must do to how it did in service.',
      'A line that begins with “!” wants to be looked at.',
    ],
    words: ['governs', 'reserve', 'school', 'out-of-date', 'record'],
  },
  {
    path: '/grades/import/*',
    title: 'Bring in grades',
    question: 'What does this file say, and may it be believed?',
    does: [
      'Drop a table (CSV, XLSX), a MatML file or a data package.',
      'Say what each column means. Units and conditions that are not stated are asked for, not guessed.',
      'Look through what would change, and take it in. It can be taken back.',
    ],
    words: ['observation', 'like-for-like', 'moisture', 'orientation', 'hdt'],
  },
  {
    path: '/grades/reference',
    title: 'Families and tables',
    question: 'What are the typical numbers behind class D?',
    does: ['Look up what is typical of a polymer family, a filler, a strand or a support material.'],
    words: ['grade', 'evidence', 'tg', 'moisture', 'chopped', 'strand'],
  },
  {
    path: '/grades/compare',
    title: 'Compare grades',
    question: 'In what do these grades differ, like for like?',
    does: ['Choose up to some few grades. Where two values were measured differently, it says in what.'],
    words: ['like-for-like', 'resolved', 'evidence', 'orientation'],
  },
  ...['/grades/new', '/grades/:gradeId/edit'].map((path) => ({
    path,
    title: 'Writing a grade down',
    question: 'What is reported of it, exactly?',
    does: [
      'Give its family and filler: what nobody reports is then carried over from them, and marked so.',
      'Add each value with its unit, its method and all conditions that are stated. Leave open what is not.',
      'Say where it comes from: a data sheet with its revision, an own test, a letter.',
    ],
    words: ['observation', 'evidence', 'moisture', 'orientation', 'hdt', 'claim'],
  })),
  {
    path: '/grades/:gradeId',
    title: 'One grade',
    question: 'What do we know of it, and from where?',
    does: [
      'Choose the conditions: each value is carried over to them, and shows its steps.',
      'Look at the gaps: what nobody has stated or measured.',
      'Add an observation, with its method and its source.',
    ],
    words: ['observation', 'resolved', 'evidence', 'knock-down', 'cov', 'gap', 'claim'],
  },
  {
    path: '/grades',
    title: 'Grades',
    question: 'What do we know?',
    does: [
      'Filter by property, at conditions of your choice. A grade without the value is counted apart, not as zero.',
      'Choose the columns, and keep a view that you use again.',
      'Bring in a file, or write a grade down by hand.',
    ],
    words: ['grade', 'observation', 'resolved', 'evidence', 'moisture', 'orientation'],
  },
  {
    path: '/agents/*',
    title: 'Agents',
    question: 'What does this fluid do to which polymer?',
    does: [
      'Look up a fluid against every family, add your own, and write down soaks: they override the table and say so.',
    ],
    words: ['agent', 'stress-cracking', 'swelling', 'evidence'],
  },
  {
    path: '/bench/new',
    title: 'A new campaign',
    question: 'Which tests, on how many specimens?',
    does: ['Choose the grades, the test and the way up. How many specimens follows from how close the mean has to be.'],
    words: ['campaign', 'specimen', 'half-width', 'cov'],
  },
  {
    path: '/bench/:campaignId',
    title: 'A campaign',
    question: 'What came out?',
    does: [
      'Test: take readings from a gauge, or type them. What was lost underway is kept from the last reading on.',
      'Results: mean, scatter, basis values, and what was foretold.',
      'Accept what you believe: it becomes evidence of the grade.',
    ],
    words: ['trial', 'specimen', 'bound', 'outlier', 'basis', 'weibull', 'foretold'],
  },
  {
    path: '/bench',
    title: 'Bench',
    question: 'What is being tested, and what was learnt?',
    does: ['Plan a campaign, go on with one, or look at how well the foretold values have held so far.'],
    words: ['campaign', 'foretold', 'trial'],
  },
  {
    path: '/records/*',
    title: 'Records',
    question: 'What was decided, and would it be decided so today?',
    does: ['Open a record, check a file of one that you were sent, or have all computed again.'],
    words: ['record', 'out-of-date'],
  },
  {
    path: '/service',
    title: 'Service',
    question: 'What is out there, and what is due?',
    does: [
      'See all that was put in, what is to be looked at and when, and what was learnt. The dates can be taken into a calendar.',
    ],
    words: ['finding', 'foretold'],
  },
  {
    path: '/spools/*',
    title: 'Spools and dryers',
    question: 'What is in stock, how wet is it, and when must it be dried?',
    does: [
      'Weigh a spool, move it, put it in a dryer: its moisture is followed from then on.',
      'Let the dryers be planned for what is due, never too hot for any spool in them.',
    ],
    words: ['drying', 'out-of-dryer', 'moisture'],
    keys: [['Arrow keys', 'On the plan of the dryers: move the chosen run in time, or to another dryer']],
  },
  {
    path: '/machines/*',
    title: 'Machines',
    question: 'What can our machines do?',
    does: ['Write down what each one reaches and stands. The evaluation uses no machine that cannot print the grade.'],
    words: ['machine-fit', 'flow', 'abrasive', 'foaming'],
  },
  {
    path: '/house-rules',
    title: 'House rules',
    question: 'What do we always hold to?',
    does: ['Change a value and see at once which parts it moves, before it is kept. Say why: it is written down.'],
    words: ['house-rules', 'safety-factor', 'knock-down', 'basis', 'cov'],
  },
  {
    path: '/calculations/*',
    title: 'Quick sums',
    question: 'How much is that, quickly?',
    does: ['Choose a sum, type the numbers with their units. Each shows its formula and where it comes from.'],
    words: ['deflection', 'creep', 'shift', 'relaxation', 'stability', 'drying'],
  },
  {
    path: '/workshop',
    title: 'Workshop',
    question: 'Is it all safe, and can I take it with me?',
    does: [
      'Take everything out as one archive in open formats, check one, take one in. Backups are made on a schedule.',
    ],
    words: ['record'],
  },
  {
    path: '/people',
    title: 'People',
    question: 'Who may do what?',
    does: [
      'Make accounts, give roles, open a workspace, and make keys for the command line. Nobody needs one on this computer alone.',
    ],
    words: [],
  },
  {
    path: '/changes',
    title: 'Changes',
    question: 'Who changed what, and when?',
    does: ['Look through what was changed, and put an earlier state back.'],
    words: ['out-of-date'],
  },
  {
    path: '/jobs',
    title: 'Long work',
    question: 'What is the server busy with?',
    does: ['Watch, stop, or begin again what takes longer.'],
    words: [],
  },
  {
    path: '/unsent',
    title: 'Not at the server yet',
    question: 'Is anything of mine still only on this computer?',
    does: [
      'It is sent by itself, in its order, once the server answers. What the server refuses stays here with the reason.',
    ],
    words: [],
  },
  {
    path: '/practice/*',
    title: 'Practice',
    question: 'Would I have chosen right?',
    does: [
      'Eight short cases: choose a grade and say what governs, then read why. Nothing of it is kept in the workshop.',
    ],
    words: ['governs', 'reserve', 'own-heat-limit', 'across-layers', 'strain', 'stress-cracking'],
  },
  {
    path: '/words',
    title: 'Words',
    question: 'What does it mean?',
    does: ['Every word of the field that the screens use, with its arithmetic where there is one.'],
    words: [],
  },
];
