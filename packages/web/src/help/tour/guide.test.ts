import { stages } from '../../stages/parts/stages.ts';
import { guideReducer, lookBegun, lookEnded, lookWentTo } from '../../sync/store/guideSlice.ts';
import { GUIDE_STEPS } from './steps.ts';

test('the look begins at its first step, goes where it is sent, and ends', () => {
  const begun = guideReducer(undefined, lookBegun());
  expect(begun.step).toBe(0);
  expect(guideReducer(begun, lookWentTo(3)).step).toBe(3);
  expect(guideReducer(begun, lookEnded()).step).toBeNull();
  expect(guideReducer(undefined, { type: 'something else' }).step).toBeNull();
});

test('every step leads to a stage that there is, in the order of the work, in two minutes', () => {
  const order = stages.map(({ id }) => id);
  const places = GUIDE_STEPS.map(({ stage }) => (stage === undefined ? -1 : order.indexOf(stage)));
  expect(places.slice(1).every((place) => place >= 0)).toBe(true);
  expect([...places].sort((a, b) => a - b)).toEqual(places);
  // At some four words a second.
  const words = GUIDE_STEPS.flatMap(({ title, text }) => `${title} ${text}`.split(/\s+/)).length;
  expect(words / 4).toBeLessThan(120);
});

test('what is framed of a part names that part', () => {
  expect(GUIDE_STEPS[0]!.frames('some-id')).toContain('/parts/some-id/');
});
