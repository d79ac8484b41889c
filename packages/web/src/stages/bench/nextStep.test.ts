import { sampleCampaigns, sampleLibrary } from '@anvilstone/core/education/sample';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { nextStep } from './nextStep.ts';
import { withPredictions } from './plan/withPredictions.ts';

const samples = sampleCampaigns(new Date('2026-11-20T09:00:00Z'));
const { campaign } = samples[0]!;
const library = { ...sampleLibrary, rules: defaultCompanyRules };

describe('what is next in a campaign', () => {
  const at = (done: number, running = 0, over: Partial<typeof campaign> = {}) =>
    nextStep({ campaign: { ...campaign, ...over }, revision: 1, done, running });
  test.each([
    ['no specimens', at(0, 0, { specimens: [] }), 'print specimens'],
    ['one in the rig', at(3, 1), 'test running'],
    ['some left', at(10), 'test 6 more'],
    ['all tested', at(16), 'evaluate the results'],
    [
      'one arm accepted, two open',
      at(16, 0, {
        accepted: [{ armId: 'A', outcomeId: 'strength', at: '', by: 'M', observationIds: [], gradeRevision: 2 }],
      }),
      'evaluate the results',
    ],
  ])('%s', (_, found, expected) => expect(found).toBe(expected));
  test('left in a place: bring them there, look on the next date, until none is planned', () => {
    const left = samples[3]!.campaign;
    const { begunAt: _b, ...unplaced } = left;
    const of = (one: typeof campaign) => nextStep({ campaign: one, revision: 1, done: 0, running: 0 });
    expect(of(unplaced)).toBe('expose them');
    expect(of(left)).toMatch(/^look on 20\d\d-\d\d-\d\d$/);
    expect(of({ ...left, inspectOn: [] })).toBe('all inspections done');
  });
});

describe('what is expected', () => {
  test('follows the plan until an arm has been tested, and is unknown where the grade is', () => {
    const thicker = { ...campaign, methodId: 'bend-bar', setUp: { spanMm: 64, widthMm: 10, thicknessMm: 4 } };
    const [a, b, c] = withPredictions(thicker, library, undefined, ['A']).arms;
    expect(a!.predicted).toBe(campaign.arms[0]!.predicted);
    expect(b!.predicted).toBeGreaterThan(campaign.arms[1]!.predicted!);
    expect(c!.predicted).not.toBe(campaign.arms[2]!.predicted);
    const gone = withPredictions(
      { ...campaign, arms: [{ id: 'A', gradeId: 'nobody', orientation: 'XY' }] },
      library,
      undefined,
      [],
    );
    expect(gone.arms[0]!.predicted).toBeNull();
  });
});
