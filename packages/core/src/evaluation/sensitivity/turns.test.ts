import type { Brief } from '@anvilstone/schema';
import { materialFor } from '../evaluating/context.ts';
import { prepareJob } from '../evaluating/evaluate.ts';
import { screen } from '../evaluating/screen.ts';
import { gaugeBeam, heaterDuct, lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { winnerOf } from './contenders.ts';
import { sensitiveInputs, type SensitiveInput } from './inputs.ts';
import { prepareSensitivity } from './sensitivity.ts';

/** A turn is placed to a part in 5120 of the way to its bound. */
const RESOLUTION = 1 / (10 * 2 ** 9);

/** Who wins in the whole library, not only among those that the search holds likely. */
function winnerWith(brief: Brief, schoolId: string): string | null {
  return winnerOf(screen(brief, sampleLibrary).grades, schoolId, {});
}
/** A value a share of the way nearer to what was taken. */
function nearer({ now, byRatio, bounds }: SensitiveInput, value: number): number {
  const bound = value < now ? bounds[0] : bounds[1];
  const share = byRatio ? Math.log(value / now) / Math.log(bound / now) : (value - now) / (bound - now);
  const less = share - 2 * RESOLUTION;
  return byRatio ? now * (bound / now) ** less : now + (bound - now) * less;
}

describe.each([
  ['the lamp arm, the lowest cost', lampArm, 'cheapest-that-passes'],
  ['the lamp arm, the highest minimum reserve', lampArm, 'weakest-link'],
  ['the heater duct, the highest minimum reserve', heaterDuct, 'weakest-link'],
  ['the gauge beam, the lowest cost', gaugeBeam, 'cheapest-that-passes'],
] as const)('%s', (_, brief, schoolId) => {
  const job = prepareSensitivity(brief, sampleLibrary, schoolId)!;
  const leader = sampleLibrary.grades.find(({ id }) => id === job.leaderId)!;
  const inputs = sensitiveInputs(brief, leader, materialFor(prepareJob(brief, sampleLibrary, {}).prepared, leader));
  const ofBrief = inputs.flatMap((input, index) =>
    input.changeTo(input.now).of === 'brief' ? [{ input, index }] : [],
  );

  test('who leads is who wins the whole library', () => expect(winnerWith(brief, schoolId)).toBe(job.leaderId));

  test.each(ofBrief.map(({ input, index }) => [input.title, input, index] as const))(
    '%s: at each turn the named one wins the whole library, just before it the leader still does',
    (_title, input, index) => {
      const found = job.at(index);
      expect(found.id).toBe(input.id);
      const briefAt = (value: number): Brief => {
        const change = input.changeTo(value);
        if (change.of !== 'brief') throw new Error('not of the brief');
        return change.brief;
      };
      for (const turn of [found.below, found.above]) {
        if (!turn) continue;
        expect(winnerWith(briefAt(turn.value), schoolId)).toBe(turn.winnerId);
        expect(turn.winnerId).not.toBe(job.leaderId);
        expect(winnerWith(briefAt(nearer(input, turn.value)), schoolId)).toBe(job.leaderId);
      }
      // Without a turn the leader wins at the bound as well.
      if (!found.above && input.id.startsWith('load'))
        expect(winnerWith(briefAt(input.bounds[1]), schoolId)).toBe(job.leaderId);
    },
  );

  test('some of them turn: the search does find what it is there for', () => {
    const turns = ofBrief.map(({ index }) => job.at(index)).filter(({ below, above }) => below ?? above);
    expect(turns.length).toBeGreaterThan(0);
  });
});
