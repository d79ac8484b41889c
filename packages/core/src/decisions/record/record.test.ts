import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import { decision as decisionSchema, type Brief, type Decision, type Grade, type Library } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { drawingSvg } from '../../foundations/drawing/index.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { CHOICE_DRAWS } from '../../evaluation/ranking/choose.ts';
import {
  checkDecisionFile,
  checkSeal,
  decisionDifferences,
  digestOf,
  documentChanges,
  fingerprintOf,
  inputsOfChoice,
  newPrivateKey,
  driftOf,
  publicKeyOf,
  recomputeDecision,
  recordDocument,
  sealOf,
  whyNot,
} from './index.ts';
import { frozenDecision as frozen } from './testContext.ts';

/** Enough of the library for every kind of candidate, and few enough to be computed again and again. */
const library: Library = {
  ...sampleLibrary,
  grades: sampleLibrary.grades.filter(({ id }, i) => ['tm-asa', 'ne-petg', 'vp-unlisted'].includes(id) || i % 7 === 0),
};
const asa = frozen(lampArm, library);
const roundTrip = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T;
const changed = (change: (copy: Decision) => void): Decision => {
  const copy = roundTrip(asa);
  change(copy);
  return copy;
};

describe('what is frozen', () => {
  test('fits the published schema, and computes to the same numbers after a round trip through text', () => {
    const copy = roundTrip(asa);
    expect(validator(decisionSchema)(copy)).toEqual({ ok: true, value: copy });
    expect(recomputeDecision(copy)).toEqual([]);
  });
  test('chances of the chosen and of the named are in it, with seed and draws; of nobody else', () => {
    const named = new Set([asa.gradeId, ...asa.grounds!.alternatives.map(({ gradeId }) => gradeId)]);
    for (const { gradeId, entries } of asa.result.grades) {
      const chanced = entries.filter(({ chance }) => chance !== undefined);
      expect(chanced).toHaveLength(named.has(gradeId) ? 1 : 0);
      for (const { chance } of chanced) if (chance) expect(chance).toMatchObject({ seed: 1, draws: CHOICE_DRAWS });
    }
  });
  test('every grade that was looked at is counted once', () => {
    const { grades, pass, unknown, fail, kept, fellOver } = asa.grounds!.screened;
    expect(pass + unknown + fail).toBe(grades);
    expect(grades).toBe(library.grades.length);
    expect(kept).toBe(asa.grades.length);
    expect(fellOver.reduce((sum, one) => sum + one.grades, 0)).toBe(fail);
  });
  test('a build orientation that is not the grade’s best: its sensitivity is that of what is printed', () => {
    const upright = frozen(lampArm, library, { orientation: 'ZX' });
    const entry = upright.result.grades
      .find(({ gradeId }) => gradeId === 'tm-asa')!
      .entries.find(({ orientation }) => orientation === 'ZX')!;
    const { low, high } = upright.grounds!.sensitivity[0]!;
    expect(Math.min(low.reserve!, high.reserve!)).toBeLessThanOrEqual(entry.minimumReserve!);
    expect(Math.max(low.reserve!, high.reserve!)).toBeGreaterThanOrEqual(entry.minimumReserve!);
    expect(recomputeDecision(roundTrip(upright))).toEqual([]);
  });
});

describe('computed again', () => {
  test.each<[what: string, change: (copy: Decision) => void, said: RegExp]>([
    ['a reserve', (copy) => (copy.result.grades[0]!.entries[0]!.checks[0]!.reserve! *= 1.01), /reserve was/],
    ['a load', (copy) => (copy.brief.loadCases[0]!.forceN! *= 2), /reserve was|was pass/],
    [
      'an observation',
      (copy) =>
        scaleModulus(
          copy.grades.find(({ id }) => id === copy.gradeId)!,
          0.8,
        ),
      /reserve was/,
    ],
    [
      'a chance',
      (copy) =>
        (copy.result.grades
          .find(({ gradeId }) => gradeId === copy.gradeId)!
          .entries.find(({ chance }) => chance)!.chance!.all = 0.5),
      /chance was 50 %/,
    ],
    ['a sensitivity', (copy) => (copy.grounds!.sensitivity[0]!.low.reserve! *= 1.5), /low end: reserve was/],
  ])('%s that was changed is found', (_what, change, said) => {
    expect(recomputeDecision(changed(change)).join('\n')).toMatch(said);
  });
});

function scaleModulus(grade: Grade, by: number) {
  for (const one of grade.observations)
    if (one.property.endsWith('Modulus') && typeof one.value === 'number') one.value *= by;
}

describe('seal', () => {
  const key = newPrivateKey();
  const file = {
    format: 'anvilstone-decision-record/1' as const,
    decision: asa,
    signOffs: [],
    seal: sealOf(asa, [], key),
  };
  test('the digest of known text: SHA-256 of {} and of {"a":1,"b":2} whatever the order of its fields', () => {
    // FIPS 180-4 over the two bytes 7b 7d, and over the canonical text; made with a second implementation (sha256sum).
    expect(digestOf({})).toBe('44136fa355b3678a1146ad16f7e8649e94fb4fc21fe77e8310c060f61caaff8a');
    expect(digestOf({ b: 2, a: 1 })).toBe('43258cff783fe7036d8a43033f830adfc60ec037382473548ac742b888292777');
  });
  test('an untouched record holds, also after a trip through text', () => {
    expect(checkSeal(roundTrip(file))).toEqual({ digestHolds: true, signatureHolds: true, strangeSignOffs: [] });
    expect(checkDecisionFile(roundTrip(file))).toMatchObject({ verdict: 'intact', ownKey: false, differences: [] });
    expect(checkDecisionFile(file, { own: publicKeyOf(key) })).toMatchObject({ ownKey: true, knownKey: true });
    expect(fingerprintOf(publicKeyOf(key))).toMatch(/^([0-9A-F]{4}-){5}[0-9A-F]{4}$/);
  });
  test.each<[string, (copy: typeof file) => void]>([
    ['a word of the reasons', (copy) => (copy.decision.reasons += '!')],
    ['a load', (copy) => (copy.decision.brief.loadCases[0]!.forceN = 1)],
    ['a price', (copy) => (copy.decision.grades[0]!.pricePerKgUsd = 1)],
    ['its number', (copy) => (copy.decision.number = 9)],
    ['its seal', (copy) => (copy.seal.digest = copy.seal.digest.replace(/^./, (one) => (one === '0' ? '1' : '0')))],
  ])('a changed record is found: %s', (_what, change) => {
    const copy = roundTrip(file);
    change(copy);
    const { digestHolds, signatureHolds } = checkSeal(copy);
    expect(digestHolds && signatureHolds).toBe(false);
  });
  test('and told in words, with the numbers that do not come out', () => {
    const copy = roundTrip(file);
    copy.decision.brief.loadCases[0]!.forceN = 1;
    const { verdict, findings, differences } = checkDecisionFile(copy);
    expect(verdict).toBe('tampered');
    expect(findings[0]).toMatch(/Changed after sealing/);
    expect(differences.length).toBeGreaterThan(0);
  });
  test('who changes it and seals it anew has another key, and numbers that do not come out', () => {
    const forged = changed((copy) => {
      for (const one of copy.result.grades) if (one.gradeId === copy.gradeId) one.best.minimumReserve = 9;
      copy.result.grades.find(({ gradeId }) => gradeId === copy.gradeId)!.entries[0]!.checks[0]!.reserve = 9;
    });
    const check = checkDecisionFile(
      { ...file, decision: forged, seal: sealOf(forged, [], newPrivateKey()) },
      { known: [publicKeyOf(key)] },
    );
    expect(check).toMatchObject({ verdict: 'differs', knownKey: false });
    expect(check.differences.join()).toMatch(/reserve was 9/);
  });
  test('the key of one and the signature of another is no seal; nor is a made-up one', () => {
    const other = { ...file, seal: { ...file.seal, publicKey: publicKeyOf(newPrivateKey()) } };
    expect(checkSeal(other).signatureHolds).toBe(false);
    expect(checkSeal({ ...file, seal: { ...file.seal, publicKey: 'f'.repeat(64) } }).signatureHolds).toBe(false);
  });
  test('a signature under another record is found', () => {
    const signOff = {
      id: '0a7c1d00-0000-4000-8000-0000000000ab',
      at: '2026-01-02T00:00:00Z',
      kind: 'signed' as const,
      by: 'B. Stranger',
      role: 'engineer',
      statement: 'I stand for another part.',
      limits: '',
      decisionDigest: 'a'.repeat(64),
    };
    const moved = { ...file, signOffs: [signOff], seal: sealOf(asa, [signOff], key) };
    const check = checkDecisionFile(moved);
    expect(check.verdict).toBe('tampered');
    expect(check.findings.join()).toMatch(/B\. Stranger is under another record/);
  });
  test('anything else is told apart from a record', () => {
    for (const nothing of [null, [], 'text', {}, { format: 'anvilstone-decision-record/1' }])
      expect(checkDecisionFile(nothing)).toMatchObject({ verdict: 'unreadable', decision: null });
  });
});

describe('what is different', () => {
  test('a load that is left out shifts no other, and a changed one is named', () => {
    const [first, second] = lampArm.loadCases;
    const after: Brief = { ...lampArm, loadCases: [{ ...second!, forceN: 80 }] };
    const found = documentChanges('Brief', lampArm, after);
    expect(found).toHaveLength(2);
    expect(found[0]).toMatchObject({ field: `Load cases “${first!.name}”`, after: null });
    expect(spellOut(found[1])).toEqual({
      area: 'Brief',
      field: `Load cases “${second!.name}” · force`,
      before: `${second!.forceN} N`,
      after: '80 N',
    });
  });
  test('two decisions: choice, numbers, brief, rules and words, each once; the same one: nothing', () => {
    const heavier: Brief = { ...lampArm, asks: { ...lampArm.asks, maxMassG: 300 } };
    const later = frozen(heavier, library, { gradeId: 'ne-petg', reasons: 'Cheaper, and cold enough there.' });
    const found = spellOut(decisionDifferences(asa, { ...later, rules: { ...defaultCompanyRules, scrapShare: 0.2 } }));
    expect(found.find(({ field }) => field === 'Grade')).toMatchObject({
      before: 'Tarrowmill ASA Outdoor',
      after: 'Nine Elms PETG Trade',
    });
    expect(found.find(({ field }) => field === 'Requirements · max mass')).toMatchObject({
      before: '190 g',
      after: '300 g',
    });
    expect(found.filter(({ area }) => area === 'Company rules')).toHaveLength(1);
    expect(found.filter(({ area }) => area === 'Numbers').length).toBeGreaterThan(3);
    expect(decisionDifferences(asa, roundTrip(asa))).toEqual([]);
  });
});

describe('what it would be today', () => {
  test('with nothing changed: the same, and no cause', () => {
    const { frozen: then, now, causes } = driftOf(asa, { brief: asa.brief, library, rules: asa.rules });
    expect(causes).toEqual([]);
    expect(now).toEqual(then);
  });
  test('each cause is told by itself, and whether it moves the choice', () => {
    const weaker = roundTrip(library);
    scaleModulus(
      weaker.grades.find(({ id }) => id === 'tm-asa')!,
      0.2,
    );
    const { causes, now } = driftOf(asa, {
      brief: { ...asa.brief, purpose: 'Other words.' },
      library: weaker,
      rules: { ...asa.rules, labourPerPartUsd: 12 },
    });
    expect(causes.map(({ id, matters }) => [id, matters])).toEqual([
      ['brief', false],
      ['rules', true],
      ['evidence', true],
    ]);
    const [, rules, evidence] = causes;
    expect(rules!.changes).toHaveLength(1);
    expect(rules!.alone.costUsd!).toBeGreaterThan(
      asa.result.grades.find(({ gradeId }) => gradeId === 'tm-asa')!.best.costUsd!,
    );
    expect(evidence!.changes[0]!.area).toBe('Evidence of Tarrowmill ASA Outdoor');
    expect(now.reserve!).toBeLessThanOrEqual(evidence!.alone.reserve!);
  });
  test('a grade that is gone is said, and so is one that is new; those that were left out that day are no news', () => {
    const without = { ...library, grades: library.grades.filter(({ id }) => id !== 'tm-asa') };
    const gone = driftOf(asa, { brief: asa.brief, library: without, rules: asa.rules });
    expect(gone.now.status).toBe('gone');
    expect(gone.causes.find(({ id }) => id === 'evidence')!.changes).toContainEqual({
      area: 'Library',
      field: 'Tarrowmill ASA Outdoor',
      before: 'in the library',
      after: null,
    });
    const cheap: Grade = {
      ...library.grades.find(({ id }) => id === 'tm-asa')!,
      id: 'new',
      name: 'New',
      pricePerKgUsd: 1,
    };
    const news = driftOf(asa, {
      brief: asa.brief,
      library: { ...library, grades: [...library.grades, cheap] },
      rules: asa.rules,
    });
    expect(news.causes.map(({ id }) => id)).toEqual(['others']);
    expect(news.causes[0]!.alone.leaderId).toBe('new');
  });
});

describe('why not the others', () => {
  const entryOf = (id: string) => asa.result.grades.find(({ gradeId }) => gradeId === id)!.best;
  test('what fails says what it fails; what passes says what it costs and what speaks for it', () => {
    const failing = asa.result.grades.find(({ best }) => best.status === 'fail')!;
    expect(whyNot(entryOf('tm-asa'), failing.best)[0]).toMatch(/short|:/);
    const said = inWords(joined(whyNot(entryOf('tm-asa'), entryOf('ne-petg')), '; '));
    expect(said).toMatch(/cheaper by \d/);
    expect(said).toMatch(/minimum reserve .* against/);
    expect(said).toMatch(/lower limit under load by/);
  });
  test('two that are alike are a matter of choice', () =>
    expect(whyNot(entryOf('tm-asa'), entryOf('tm-asa'))).toEqual(['Equal in all values']));
});

describe('as it is read', () => {
  const { title, blocks } = recordDocument(asa, [], 'metric', digestOf(asa));
  const text = JSON.stringify(blocks);
  test('every part that a record has to have', () => {
    expect(title).toBe('Decision 7: Lamp arm, pylon 7 walkway');
    const headings = blocks.flatMap((block) => (block.kind === 'heading' ? [block.text] : []));
    expect(headings).toEqual([
      'Chosen',
      'Reason',
      'Limits of use',
      'Open risks',
      'Requirements',
      'Checks of the chosen grade',
      'Sensitivity of the choice',
      'Candidates and reasons against them',
      'Evidence of the chosen grade',
      'Tests done',
      'Tests still open',
      'Cautions',
      'Company rules in force',
      'Signatures',
    ]);
    expect(text).toContain('does not approve the part');
    expect(text).toContain('Not signed');
    expect(text).not.toMatch(/undefined|NaN/);
  });
  test('tables are as wide as their heads; drawings are sound vectors', () => {
    for (const block of blocks) {
      if (block.kind === 'table') for (const row of block.rows) expect(row).toHaveLength(block.head.length);
      if (block.kind === 'drawing') expect(drawingSvg(block.drawing)).not.toMatch(/NaN|undefined/);
    }
    expect(blocks.filter(({ kind }) => kind === 'drawing')).toHaveLength(3);
  });
  test('required is the limit where there is one, else what is asked of the grade; available is the other', () => {
    const table = blocks.find((block) => block.kind === 'table' && block.head.includes('Required'))!;
    const rows = new Map((table as Extract<typeof table, { kind: 'table' }>).rows.map((row) => [row[0], row]));
    const entry = asa.result.grades.find(({ gradeId }) => gradeId === asa.gradeId)!.entries[0]!;
    const { massG } = entry;
    const cells = (title: string) =>
      rows.get(title)!.map((cell) => (typeof cell === 'string' ? cell.replaceAll('\u00a0', ' ') : cell));
    expect(cells('Mass').slice(1, 3)).toEqual([`at most ${asa.brief.asks.maxMassG} g`, `${massG!.toFixed(0)} g`]);
    expect(cells('Service temperature limit, continuous')[1]).toBe(`${asa.brief.asks.heat!.steadyC} °C`);
  });
  test('in the reader’s units', () => {
    expect(JSON.stringify(recordDocument(asa, [], 'inchPound', '').blocks)).toMatch(/lbf/);
  });
  test('a record without grounds is read too', () => {
    const { grounds: _none, ...old } = asa;
    const { blocks: bare } = recordDocument(old, [], 'metric', '');
    expect(JSON.stringify(bare)).toContain('Candidates');
  });
  test('where it could hurt someone, that nobody signed is a warning', () => {
    const hurting = { ...asa, brief: { ...asa.brief, failureCouldHurt: 'yes' as const } };
    const { blocks: warned } = recordDocument(hurting, [], 'metric', '');
    expect(warned.filter((block) => block.kind === 'text' && block.tone === 'warning')).toHaveLength(2);
  });
});

test('a library of thousands: the sixty that come first are kept, and the chosen one with them', () => {
  const many = Array.from({ length: 300 }, (_, i): Grade => {
    const source = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...source, id: `${source.id}-${i}`, name: `${source.name} ${i}` };
  });
  const last = many.findLast(({ id }) => id.startsWith('vp-unlisted'))!;
  const { grades, grounds } = inputsOfChoice(lampArm, { ...sampleLibrary, grades: many }, defaultCompanyRules, {
    gradeId: last.id,
    orientation: 'XZ',
    schoolId: 'cheapest-that-passes',
    limits: '',
    notes: [],
    testsDone: [],
  });
  expect(grades).toHaveLength(60);
  expect(grades.map(({ id }) => id)).toContain(last.id);
  expect(grounds.screened).toMatchObject({ grades: 300, kept: 60 });
});
