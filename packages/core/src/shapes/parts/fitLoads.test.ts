import { LOAD_KINDS, type LoadCase, brief as briefSchema } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { briefIssues } from '../../evaluation/evaluating/briefIssues.ts';
import { sampleBriefs } from '../../education/sample/index.ts';
import { fitLoad, withKind, withPart } from './fitLoads.ts';
import { partModels } from './index.ts';

const valid = validator(briefSchema);

test('any brief of the demo can become any other part, and can still be saved and evaluated', () => {
  for (const brief of sampleBriefs) {
    for (const model of partModels) {
      const changed = withPart(brief, model.start);
      expect([brief.title, model.id, valid(changed).ok, briefIssues(changed)]).toEqual([
        brief.title,
        model.id,
        true,
        [],
      ]);
      expect(changed.loadCases.map((load) => load.name)).toEqual(brief.loadCases.map((load) => load.name));
    }
  }
});

test('every kind that a model takes can be chosen', () => {
  for (const model of partModels) {
    const takes = model.takes(model.start);
    for (const kind of LOAD_KINDS) {
      const size = takes[kind];
      if (!size) continue;
      const load = withKind(fitLoad(sampleBriefs[0]!.loadCases[0]!, model.start), kind, size);
      const brief = { ...sampleBriefs[0]!, part: model.start, loadCases: [load], asks: {} };
      expect([model.id, kind, briefIssues(brief)]).toEqual([model.id, kind, []]);
    }
  }
});

test('a load that becomes short is one of seconds to minutes, and lasts again when it becomes a lasting one', () => {
  const weeks: LoadCase = { ...sampleBriefs[0]!.loadCases[0]!, durationH: 1000 };
  delete weeks.kind;
  const short = withKind(weeks, 'short', 'forceN');
  expect(short.durationH).toBeCloseTo(1 / 60, 12);
  expect(withKind({ ...weeks, durationH: 0.01 }, 'short', 'forceN').durationH).toBe(0.01);
  expect(withKind({ ...short, durationH: 24 }, 'short', 'forceN').durationH).toBe(24);
  expect(withKind(short, 'lasting', 'forceN').durationH).toBe(1000);
  expect(withKind({ ...weeks, durationH: 40 }, 'held', 'forceN').durationH).toBe(40);
});

test('a load that fits already is left alone, an old one without a kind too', () => {
  const [brief] = sampleBriefs;
  expect(withPart(brief!, brief!.part)).toEqual(brief);
});

test('a limit on movement goes where the model cannot tell how far it moves', () => {
  const { loadCases } = withPart(sampleBriefs[0]!, partModels.find((model) => model.id === 'section-at-plane')!.start);
  for (const load of loadCases) expect(load).not.toHaveProperty('maxDeflectionMm');
});
