import { stages } from '../../stages/parts/stages.ts';

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
  { id: 'import', title: 'Import grades', words: 'import csv xlsx data sheet', to: '/grades/import' },
  { id: 'new-grade', title: 'New grade', words: 'new filament', to: '/grades/new' },
  {
    id: 'families',
    title: 'Reference data',
    words: 'reference polymer',
    to: '/grades/reference',
  },
  { id: 'bench', title: 'Bench', words: 'tests campaigns', to: '/bench' },
  { id: 'new-campaign', title: 'Plan a test campaign', words: 'new bench', to: '/bench/new' },
  { id: 'records', title: 'Records', words: 'decisions verify check file', to: '/records' },
  { id: 'service', title: 'Service', words: 'inspections due failures lessons', to: '/service' },
  { id: 'spools', title: 'Spools', words: 'stock', to: '/spools' },
  { id: 'dryers', title: 'Dryers', words: 'drying schedule moisture', to: '/spools?show=dryers' },
  { id: 'new-spool', title: 'New spool', words: 'new', to: '/spools/new' },
  { id: 'machines', title: 'Machines', words: 'printers', to: '/machines' },
  { id: 'rules', title: 'Company rules', words: 'policy safety factor knock-down', to: '/company-rules' },
  { id: 'agents', title: 'Chemicals: fluids that parts contact', words: 'chemicals oil', to: '/chemicals' },
  { id: 'sums', title: 'Calculators', words: 'calculators calculations', to: '/calculators' },
  {
    id: 'practice',
    title: 'Training: eight short cases',
    words: 'train learn quiz exercise newcomer',
    to: '/training',
  },
  { id: 'words', title: 'Glossary', words: 'glossary terms help explain dictionary', to: '/glossary' },
  {
    id: 'people',
    title: 'People: accounts, roles, workspaces, tokens',
    words: 'sign in out password invite',
    to: '/people',
  },
  { id: 'changes', title: 'Change log', words: 'history audit undo put back', to: '/changes' },
  { id: 'unsent', title: 'Unsent changes', words: 'unsent offline kept outbox', to: '/unsent' },
  { id: 'jobs', title: 'Jobs', words: 'jobs queue backup import cancel retry', to: '/jobs' },
  {
    id: 'workshop',
    title: 'Data and backup: export, backup, restore',
    words: 'export import restore',
    to: '/data',
  },
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
