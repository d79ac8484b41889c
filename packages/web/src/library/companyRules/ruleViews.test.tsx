import { inWords } from '@anvilstone/core/foundations';
import { defaultCompanyRules, RULE_GROUPS, ruleMeanings, ruleValue } from '@anvilstone/core/materials';
import type { CompanyRules, RecordedChange } from '@anvilstone/schema';
import { ChangeList } from '../../team/history/ChangeList.tsx';
import { addressOf, KIND_WORDS } from '../../team/history/kindWords.ts';
import { sampleParts } from '../../testing/testAnswers.ts';
import { drawn, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { ImpactPanel } from './ImpactPanel.tsx';
import { RuleField } from './RuleField.tsx';

const ignore = () => undefined;

describe.each(ruleMeanings.map((meaning) => [meaning.id, meaning] as const))('the rule %s', (id, meaning) => {
  const field = (rules: CompanyRules) =>
    drawn(<RuleField meaning={meaning} rules={rules} onChange={ignore} onClear={undefined} />);
  test('says what it is and why, and is entered by a field of its own', () => {
    const root = field(defaultCompanyRules);
    expect(textOf(root)).toContain(meaning.title);
    expect(inWords(meaning.reason).length).toBeGreaterThan(15);
    expect(root.querySelectorAll('input').length).toBeGreaterThan(0);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('one that differs from a new workshop’s says what that has', () => {
    const usual = defaultCompanyRules[id];
    if (typeof usual !== 'number') return;
    const changed = field({ ...defaultCompanyRules, [id]: usual + 0.01 });
    expect(textOf(changed)).toContain(`Default: ${ruleValue(meaning, usual)}.`);
    expect(textOf(field(defaultCompanyRules))).not.toContain('A new workshop has');
  });
});

test('every rule stands in a group that is shown', () => {
  const shown = new Set(RULE_GROUPS.map((group) => (typeof group === 'string' ? group : (group as { id: string }).id)));
  for (const { group } of ruleMeanings as readonly { group: string }[]) expect(shown).toContain(group);
});

describe('what changed rules would move', () => {
  const parts = sampleParts.slice(0, 3);
  const panel = (rules: CompanyRules) => drawn(<ImpactPanel rules={rules} parts={parts} library={sampleWorkshop} />);
  test('the same rules move nothing', () =>
    expect(textOf(panel(defaultCompanyRules))).toContain('None of the 3 parts'));
  test('harsher ones name each part with who leads now and would lead then', () => {
    const root = panel({ ...defaultCompanyRules, datasheetStrengthFactor: 0.2 });
    const rows = root.querySelectorAll('tbody tr');
    expect(rows.length).toBeGreaterThan(0);
    for (const row of rows) expect(textOf(row)).toMatch(/\d+ → \d+$/);
    expect(textOf(root)).toContain('Frozen decisions keep the rules they were made under.');
  });
});

describe('changes', () => {
  const change = (rest: Partial<RecordedChange>): RecordedChange =>
    ({
      id: '1',
      kind: 'grades',
      record: 'tm-petg',
      title: 'Tarrowmill PETG',
      action: 'changed',
      who: 'H. Orrin',
      at: '2026-06-01T12:00:00Z',
      revision: 3,
      ...rest,
    }) as unknown as RecordedChange;
  const list = (changes: readonly RecordedChange[], named: boolean) =>
    drawn(<ChangeList changes={changes} named={named} />);
  test('say who did what, and of many records to which', () => {
    expect(textOf(list([change({ kind: 'spools', title: 'S-05' })], true))).toMatch(
      /H\. Orrin ?changed ?spool “S-05” ?revision 3/,
    );
    expect(textOf(list([change({ kind: 'spools', title: 'S-05' })], false))).not.toContain('spool');
  });
  test('open one by one, each told whether it is', () => {
    const buttons = list([change({}), change({ id: '2' })], true).querySelectorAll('button');
    expect(buttons.map((button) => button.getAttribute('aria-expanded'))).toEqual(['false', 'false']);
  });
  test('every kind has a word, and leads somewhere or says that it does not', () => {
    for (const [kind, word] of Object.entries(KIND_WORDS)) {
      expect(word).toMatch(/^[A-Z][a-z-]+( [a-z-]+)*$/);
      expect(addressOf(kind, 'x/y') ?? '/').toMatch(/^\//);
    }
    expect(addressOf('parts', 'p1')).toBe('/parts/p1');
  });
});
