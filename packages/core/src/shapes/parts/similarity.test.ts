import type { PartGeometry } from '@anvilstone/schema';
import { sampleBriefs } from '../../education/sample/index.ts';
import { partBody, partModels } from './models.ts';
import type { Action, PartBody, PartResponse } from './partModel.ts';

/**
 * Geometrically similar parts: with every length k times as long, each answer must change by the power of k that its unit
 * says. A factor that was forgotten, or stands on the wrong power, shows in no hand-checked value of another size.
 */
const POWERS: readonly (readonly [name: RegExp, power: number])[] = [
  [/Mm4$/, 4],
  [/Mm3$/, 3],
  [/Mm2$/, 2],
  [/Mm$/, 1],
  // As fast at the pitch line: the factor of speed is not one of size.
  [/Rpm$/, -1],
];

function scaled<T>(value: T, k: number, key = ''): T {
  if (Array.isArray(value)) return value.map((one: unknown) => scaled(one, k, key === 'points' ? 'Mm' : key)) as T;
  if (typeof value === 'object' && value !== null)
    return Object.fromEntries(
      Object.entries(value).map(([name, one]) => [name, scaled(one as unknown, k, key === 'points' ? 'Mm' : name)]),
    ) as T;
  const power = POWERS.find(([name]) => name.test(key))?.[1];
  return typeof value === 'number' && power !== undefined ? ((value * k ** power) as T) : value;
}

/** Power of length in what one unit of the action is. */
const OF_ACTION: Record<Action, number> = { force: 0, torque: 1, pressure: -2 };
/** Stress is force over area: per unit of the action. */
const stressPower = (action: Action) => -2 - OF_ACTION[action];
/** Movement times modulus over the action: mm·MPa/N is 1/mm, and an angle has no length of its own. */
const movementPower = ({ action, movement }: PartBody) => (movement.unit === 'mm' ? 1 : 0) - 2 - OF_ACTION[action];

const PARTS: readonly (readonly [string, PartGeometry])[] = [
  ...partModels.map(({ id, start }) => [id, start] as const),
  ...sampleBriefs.map(({ title, part }) => [title, part] as const),
];

function expectPower(small: number, large: number, k: number, power: number) {
  if (small === 0) expect(large).toBe(0);
  else expect(large / small).toBeCloseTo(k ** power, 6);
}

function compare(one: PartBody, other: PartBody, k: number, at: (small: PartResponse, large: PartResponse) => void) {
  for (const direction of Object.keys(one.responses) as (keyof PartBody['responses'])[])
    at(one.responses[direction]!, other.responses[direction]!);
  expect(Object.keys(one.responses)).toEqual(Object.keys(other.responses));
  expect(k).toBeGreaterThan(0);
}

describe.each(PARTS)('%s', (_name, part) => {
  describe.each([0.5, 2, 10])('× %f', (k) => {
    const [small, large] = [partBody(part), partBody(scaled(part, k))];
    test('volume and extent', () => {
      expectPower(small.volumeMm3, large.volumeMm3, k, 3);
      for (const axis of ['length', 'depth', 'width'] as const)
        expectPower(small.extentMm[axis], large.extentMm[axis], k, 1);
      expectPower(small.thinnestMm, large.thinnestMm, k, 1);
    });
    test('stress at every place, concentrations unchanged', () =>
      compare(small, large, k, (a, b) => {
        expect(b.places.map(({ id }) => id)).toEqual(a.places.map(({ id }) => id));
        a.places.forEach((place, i) => {
          const twin = b.places[i]!;
          for (const kind of ['tensionPerUnit', 'compressionPerUnit', 'shearPerUnit'] as const)
            expectPower(place[kind], twin[kind], k, stressPower(small.action));
          expect(twin.concentration).toBeCloseTo(place.concentration, 9);
        });
      }));
    test('movement', () =>
      compare(small, large, k, (a, b) => {
        a.complianceTerms.forEach((stretch, i) =>
          expectPower(stretch.perModulus, b.complianceTerms[i]!.perModulus, k, movementPower(small)),
        );
        if (a.shear) expectPower(a.shear.perModulus, b.shear!.perModulus, k, movementPower(small));
      }));
    test('buckling', () =>
      compare(small, large, k, (a, b) => {
        a.buckling.forEach((way, i) => {
          expectPower(way.criticalPerModulus, b.buckling[i]!.criticalPerModulus, k, -stressPower(small.action));
          expectPower(way.actionPerStress, b.buckling[i]!.actionPerStress, k, -stressPower(small.action));
        });
      }));
    test('force across and area that tears', () =>
      compare(small, large, k, (a, b) => {
        expectPower(a.shearForcePerUnit, b.shearForcePerUnit, k, -OF_ACTION[small.action]);
        expectPower(a.tearAreaMm2, b.tearAreaMm2, k, 2);
      }));
  });
});

describe('what holds of every part model', () => {
  test.each(PARTS)(
    '%s: nothing is negative, no concentration is below 1, every place says where it comes from',
    (_name, part) => {
      const body = partBody(part);
      for (const response of Object.values(body.responses)) {
        for (const place of response.places) {
          for (const kind of ['tensionPerUnit', 'compressionPerUnit', 'shearPerUnit'] as const) {
            expect(Number.isFinite(place[kind])).toBe(true);
            expect(place[kind]).toBeGreaterThanOrEqual(0);
          }
          expect(place.concentration).toBeGreaterThanOrEqual(1);
          expect(place.lines.length).toBeGreaterThan(0);
          expect(Math.hypot(...place.direction)).toBeCloseTo(1, 9);
        }
        for (const stretch of response.complianceTerms) {
          expect(stretch.perModulus).toBeGreaterThan(0);
          expect(stretch.source).not.toBe('');
          expect(Math.hypot(...stretch.direction)).toBeCloseTo(1, 9);
        }
        for (const way of response.buckling) expect(way.criticalPerModulus).toBeGreaterThan(0);
      }
      expect(body.volumeMm3).toBeGreaterThan(0);
      expect(body.volumeMm3).toBeLessThanOrEqual(
        body.extentMm.length * body.extentMm.depth * body.extentMm.width * 1.0001,
      );
    },
  );
  test.each(PARTS)('%s: a dimension of nothing, or below it, is refused by its name', (_name, part) => {
    const lengths = Object.entries(part).filter(
      ([name, value]) => /Mm$/.test(name) && typeof value === 'number' && value > 0,
    );
    // One that this kind of it does not use, such as the fillet of a beam that only rests, is nobody's to refuse.
    const isUsed = (name: string, value: number) =>
      JSON.stringify(partBody({ ...part, [name]: value * 1.1 } as PartGeometry)) !== JSON.stringify(partBody(part));
    for (const [name] of lengths.filter(([field, value]) => isUsed(field, value as number)))
      for (const bad of [-1, NaN, Infinity]) {
        const broken = { ...part, [name]: bad } as PartGeometry;
        expect(() => partBody(broken)).toThrow(/is not usable/);
      }
  });
});
