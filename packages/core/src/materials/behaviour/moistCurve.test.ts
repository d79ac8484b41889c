import { modulusCurve } from './modulusCurve.ts';
import { moistCurve, moistGlassTransitionC } from './moistCurve.ts';

/** A polyamide 6 as its family has it: Tg 55 °C, melting at 221 °C. */
const dry = modulusCurve({
  modulus23MPa: 2500,
  morphology: 'semiCrystalline',
  glassTransitionC: 55,
  meltingC: 221,
  hdt: [
    { temperatureC: 155, stressMPa: 0.45 },
    { temperatureC: 62, stressMPa: 1.8 },
  ],
  measured: [],
});
const water = { glassTransitionC: 55, modulusRetention: 0.4, strengthRetention: 0.62, strengthExponent: 0.8 };
const moist = moistCurve(dry, water);
const everywhere = Array.from({ length: 60 }, (_, i) => 23 + i * 3.3).filter((celsius) => celsius < 220);

describe('glass transition with water in it', () => {
  // 70·(1 − e^(−2.8/4)) = 35.2 K, 70·(1 − e^(−9.5/4)) = 63.5 K
  test('polyamide 6 loses some 35 K in ordinary air and some 60 K wet', () => {
    expect(moistGlassTransitionC(55, 2.8)).toBeCloseTo(19.76, 2);
    expect(moistGlassTransitionC(55, 9.5)).toBeCloseTo(-8.49, 2);
  });
  test('dry it stays, and more water never raises it', () => {
    expect(moistGlassTransitionC(55, 0)).toBe(55);
    const falling = [0, 1, 2, 4, 8, 12].map((pct) => moistGlassTransitionC(55, pct));
    expect(falling).toEqual([...falling].sort((a, b) => b - a));
  });
});

describe('stiffness of a moist polyamide over temperature', () => {
  test('starts from its own stiffness at room temperature, and is dry in the cold', () => {
    expect(moist.ratio(23)).toBeCloseTo(1, 9);
    expect(moist.ratio(-30)).toBe(dry.ratio(-30));
    expect(moist.endC).toBe(dry.endC);
  });
  test('warmth never stiffens it', () => {
    const ratios = everywhere.map((celsius) => moist.ratio(celsius));
    expect(ratios).toEqual([...ratios].sort((a, b) => b - a));
  });
  test('neither stiffness nor strength comes out above the dry one’s', () => {
    for (const celsius of everywhere) {
      const [m, d] = [moist.ratio(celsius), dry.ratio(celsius)];
      expect({ celsius, ok: water.modulusRetention * m <= d * 1.001 }).toEqual({ celsius, ok: true });
      const strengths = [water.strengthRetention * m ** water.strengthExponent, d ** water.strengthExponent];
      expect({ celsius, ok: strengths[0]! <= strengths[1]! * 1.001 }).toEqual({ celsius, ok: true });
    }
  });
  test('the gap closes on the way through the dry transition, and then no further', () => {
    const share = (celsius: number) => (water.modulusRetention * moist.ratio(celsius)) / dry.ratio(celsius);
    expect(share(23)).toBeCloseTo(0.4, 6);
    expect(share(45)).toBeGreaterThan(0.45);
    expect(share(75)).toBeGreaterThan(0.65);
    expect(share(150)).toBeCloseTo(share(100), 1);
  });
  test('where water takes nothing the curve is the dry one', () => {
    expect(moistCurve(dry, { ...water, modulusRetention: 1, strengthRetention: 1 })).toBe(dry);
    expect(moistCurve(dry, { ...water, strengthRetention: 1 })).toBe(dry);
  });
  test('a transition below room temperature changes nothing: both are past it', () =>
    expect(moistCurve(dry, { ...water, glassTransitionC: 0 })).toBe(dry));
});
