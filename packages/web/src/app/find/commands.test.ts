import { stages } from '../../stages/parts/stages.ts';
import { calledBy, commandsFor, matching } from './commands.ts';

const titles = (typed: string, partId?: string) => matching(commandsFor(partId), typed).map(({ title }) => title);

test('every place has a name and an address of its own', () => {
  const all = commandsFor('p1');
  for (const field of ['id', 'title', 'to'] as const)
    expect(new Set(all.map((one) => one[field])).size).toBe(all.length);
  expect(all.every(({ to }) => to.startsWith('/'))).toBe(true);
});
test('the stages of the part at hand come first, and only with a part', () => {
  expect(
    commandsFor('p1')
      .slice(0, stages.length)
      .map(({ to }) => to),
  ).toEqual(stages.map(({ id }) => `/parts/p1/${id}`));
  expect(commandsFor(undefined).some(({ id }) => id.startsWith('stage-'))).toBe(false);
});
test.each([
  ['mach', 'Machines'],
  ['printers', 'Machines'],
  ['drying sched', 'Dryers'],
  ['glossary', 'Glossary'],
  ['safety fac', 'Company rules'],
  ['SIGN out', 'People: accounts, roles, workspaces, tokens'],
])('“%s” finds %s', (typed, title) => expect(titles(typed)).toContain(title));
test('every word has to be there, begun or whole; nothing typed is everything', () => {
  expect(titles('machines dryers')).toEqual([]);
  expect(titles('achines')).toEqual([]);
  expect(titles('')).toHaveLength(commandsFor(undefined).length);
});
test('called by the beginning of its name', () => {
  expect(calledBy('Machines', 'mac')).toBe(true);
  expect(calledBy('Machines', ' MACHINES ')).toBe(true);
  expect(calledBy('Machines', 'printers')).toBe(false);
  expect(calledBy('Machines', '')).toBe(true);
});
