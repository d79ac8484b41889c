import { stages } from '../parts/stages.ts';

/** Somewhere to go, or something to do, by its words. */
export interface Command {
  id: string;
  title: string;
  /** Further words that it is found by. */
  words: string;
  to: string;
}

const PLACES: readonly Command[] = [
  { id: 'parts', title: 'Parts', words: 'list home', to: '/parts' },
  { id: 'grades', title: 'Grades', words: 'filaments materials library', to: '/grades' },
  { id: 'import', title: 'Bring in a file of grades', words: 'import csv xlsx data sheet', to: '/grades/import' },
  { id: 'new-grade', title: 'Write down a grade', words: 'new filament', to: '/grades/new' },
  {
    id: 'families',
    title: 'Families and tables behind the numbers',
    words: 'reference polymer',
    to: '/grades/reference',
  },
  { id: 'bench', title: 'Bench', words: 'tests campaigns', to: '/bench' },
  { id: 'new-campaign', title: 'Plan a test campaign', words: 'new bench', to: '/bench/new' },
  { id: 'records', title: 'Records', words: 'decisions verify check file', to: '/records' },
  { id: 'service', title: 'Service', words: 'inspections due failures lessons', to: '/service' },
  { id: 'spools', title: 'Spools', words: 'stock', to: '/spools' },
  { id: 'dryers', title: 'Dryers', words: 'drying schedule moisture', to: '/spools?show=dryers' },
  { id: 'new-spool', title: 'Write down a spool', words: 'new', to: '/spools/new' },
  { id: 'machines', title: 'Machines', words: 'printers', to: '/machines' },
  { id: 'rules', title: 'House rules', words: 'policy safety factor knock-down', to: '/house-rules' },
  { id: 'agents', title: 'Agents: fluids that touch parts', words: 'chemicals oil', to: '/agents' },
  { id: 'sums', title: 'Quick sums', words: 'calculators calculations', to: '/calculations' },
  {
    id: 'practice',
    title: 'Practice: eight short cases',
    words: 'train learn quiz exercise newcomer',
    to: '/practice',
  },
  { id: 'words', title: 'Words and what they mean', words: 'glossary terms help explain dictionary', to: '/words' },
  {
    id: 'people',
    title: 'People: accounts, roles, workspaces, tokens',
    words: 'sign in out password invite',
    to: '/people',
  },
  { id: 'changes', title: 'Changes: who changed what', words: 'history audit undo put back', to: '/changes' },
  { id: 'unsent', title: 'Not at the server yet', words: 'unsent offline kept outbox', to: '/unsent' },
  { id: 'jobs', title: 'Long work under way', words: 'jobs queue backup import cancel retry', to: '/jobs' },
  { id: 'workshop', title: 'Workshop: archive and backup', words: 'export import restore', to: '/workshop' },
];

/** All that can be gone to: the stages of the part at hand first. */
export function commandsFor(partId: string | undefined): Command[] {
  const here = partId
    ? stages.map(({ id, title, question }) => ({
        id: `stage-${id}`,
        title: `${title} of this part`,
        words: question,
        to: `/parts/${partId}/${id}`,
      }))
    : [];
  return [...here, ...PLACES];
}

/** Those with every word typed, begun or whole, in title or words. */
export function matching(commands: readonly Command[], typed: string): Command[] {
  const words = typed.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  return commands.filter(({ title, words: more }) => {
    const known = `${title} ${more}`.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
    return words.every((word) => known.some((one) => one.startsWith(word)));
  });
}

/** Whether what is typed is how the title begins. With nothing typed every title is called. */
export function calledBy(title: string, typed: string): boolean {
  return title.toLowerCase().startsWith(typed.trim().toLowerCase());
}
