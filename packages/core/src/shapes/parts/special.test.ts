import { briefWith, outcome, testGrade } from '../../checks/testContext.ts';
import { answerOf } from './testPart.ts';
import { boltedJoint } from './boltedFlange.ts';
import { gentModulusMPa } from '../../materials/behaviour/gentModulus.ts';
import { padStiffening } from './elastomerPad.ts';
import { hingeStrain, parallelLeafStrain } from './flexure.ts';
import { lewisFormFactor, lewisStressPerTorque, toothSliding, velocityFactor } from './gearTooth.ts';
import { contactTemperatureC, effusivity } from './hotContact.ts';
import { lugConcentration } from './pinnedLug.ts';
import { plateFactors } from './plate.ts';
import { collapsePerModulus, lameRing, PINCHED_RING, tubeStiffening } from './ring.ts';
import { matingForceN, snapStrain } from './snapHook.ts';

describe('eye on a pin', () => {
  const lug = {
    model: 'pinned-lug',
    lengthMm: 50,
    widthMm: 24,
    thicknessMm: 10,
    holeDiameterMm: 8,
    edgeDistanceMm: 16,
  } as const;
  // d/w = 0.5: 12.882 − 26.357 + 22.4405 − 6.458375
  test('stress concentration', () => expect(lugConcentration(0.5)).toBeCloseTo(2.507125, 6));
  test('net section, bearing and shear-out by hand', () => {
    const { place } = answerOf(lug);
    expect(place('net-section').tensionPerUnit).toBeCloseTo(lugConcentration(1 / 3) / 160, 9);
    expect(place('bearing').compressionPerUnit).toBeCloseTo(1 / 80, 9);
    expect(place('shear-out').shearPerUnit).toBeCloseTo(1 / 240, 9);
  });
  test('a hole as wide as the lug, or past its end, is refused by name', () => {
    expect(() => answerOf({ ...lug, holeDiameterMm: 24 })).toThrow(/holeDiameterMm/);
    expect(() => answerOf({ ...lug, edgeDistanceMm: 4 })).toThrow(/edgeDistanceMm/);
  });
});

describe('snap hook', () => {
  // 1.5·2·1.5/20² = 1.125 %; half: 6/6.54213·2·1.5/400 = 0.68786 %
  test('strain, even and tapered to half', () => {
    expect(snapStrain({ travelMm: 1.5, lengthMm: 20, thicknessMm: 2, taper: 'even' })).toBeCloseTo(0.01125, 9);
    expect(snapStrain({ travelMm: 1.5, lengthMm: 20, thicknessMm: 2, taper: 'half' })).toBeCloseTo(0.0068785, 6);
  });
  test('the model says the same through its force and its give', () => {
    const { place, movement } = answerOf({
      model: 'snap-hook',
      lengthMm: 20,
      thicknessMm: 2,
      widthMm: 5,
      taper: 'half',
      leadAngleDeg: 30,
      filletRadiusMm: 10,
    });
    const forceN = 1.5 / movement(2000);
    const { tensionPerUnit, concentration } = place('root-fibre');
    expect((forceN * tensionPerUnit) / concentration / 2000).toBeCloseTo(0.0068785, 6);
  });
  // 10·(0.3 + 0.57735)/(1 − 0.173205) = 10.6115
  test('push to close', () =>
    expect(matingForceN({ bendingForceN: 10, leadAngleDeg: 30, friction: 0.3 })).toBeCloseTo(10.6115, 3));
  test('a slope that locks is refused', () =>
    expect(() => matingForceN({ bendingForceN: 10, leadAngleDeg: 75, friction: 0.4 })).toThrow(/locks/));
});

describe('flexure', () => {
  // 0.5·π/(2·6) = 13.09 %; 3·0.8·2/30² = 0.5333 %
  test('strain of a hinge and of a leaf', () => {
    expect(hingeStrain({ thicknessMm: 0.5, lengthMm: 6, angleDeg: 180 })).toBeCloseTo(0.1309, 4);
    expect(parallelLeafStrain({ thicknessMm: 0.8, lengthMm: 30, travelMm: 2 })).toBeCloseTo(0.0053333, 7);
  });
  test.each([
    ['turns', 180, 0.5, 6, 0.1309],
    ['shifts', 2, 0.8, 30, 0.0053333],
  ] as const)('%s: the model says the same', (motion, amount, thicknessMm, lengthMm, strain) => {
    const { place, movement } = answerOf({ model: 'flexure', lengthMm, thicknessMm, widthMm: 10, motion });
    expect(((amount / movement(1000)) * place('leaf-fibre').tensionPerUnit) / 1000).toBeCloseTo(strain, 4);
  });
});

describe('ring', () => {
  // Roark table 9.2 case 1: 0.3183, 0.1817, 0.1488
  test('coefficients of a pinched ring', () => {
    expect(PINCHED_RING.momentUnderLoad).toBeCloseTo(0.3183, 4);
    expect(PINCHED_RING.momentAtSide).toBeCloseTo(0.1817, 4);
    expect(PINCHED_RING.diameterChange).toBeCloseTo(0.1488, 4);
  });
  const ring = { model: 'ring', outerDiameterMm: 63, wallMm: 3, lengthMm: 20 } as const; // R = 30, I = 45, A = 60
  test('pinched: stress and ovality by hand', () => {
    const { place, movement } = answerOf({ ...ring, loading: 'pinched' });
    expect(place('under-pinch').tensionPerUnit).toBeCloseTo((30 / Math.PI) * (1.5 / 45), 9);
    expect(place('ring-side').tensionPerUnit).toBeCloseTo((30 * (0.5 - 1 / Math.PI) * 1.5) / 45 - 1 / 120, 9);
    const stiffening = tubeStiffening({ lengthMm: 20, wallMm: 3, meanRadiusMm: 30 });
    expect(movement(2000) * stiffening).toBeCloseTo((0.14878 * 30 ** 3) / (2000 * 45), 5);
  });
  // a = 31.5, b = 28.5: (992.25 + 812.25)/180 = 10.025; thin p·R/t = 10
  test('pressed from inside: Lamé, close to p·R/t', () => {
    expect(lameRing({ outerMm: 31.5, innerMm: 28.5 }).hoopFromInside).toBeCloseTo(10.025, 9);
    expect(answerOf({ ...ring, loading: 'pressed-from-inside' }).place('bore').tensionPerUnit).toBeCloseTo(10.025, 9);
  });
  describe('narrow ring and long tube', () => {
    const stiffening = (lengthMm: number, poisson = 0.38) =>
      tubeStiffening({ lengthMm, wallMm: 3, meanRadiusMm: 30, poisson });
    test('a narrow ring is a curved bar, a long one a plate: 1/(1 − ν²) = 1.1688', () => {
      expect(stiffening(1)).toBeCloseTo(1, 4);
      expect(stiffening(1e4)).toBeCloseTo(1.1688, 3);
    });
    // λb of 1.266·20/√90 = 2.669: Φ = (2/2.669)·(7.247 + 0.890)/(7.178 + 0.455) = 0.7988
    test('in between by hand', () => expect(stiffening(20)).toBeCloseTo((1 - 0.1444 * 0.7988) / 0.8556, 3));
    test('longer is never softer; without Poisson’s ratio the length does not matter', () => {
      const rising = [1, 5, 10, 20, 40, 80, 200, 1000].map((lengthMm) => stiffening(lengthMm));
      expect(rising).toEqual([...rising].sort((a, b) => a - b));
      expect(stiffening(1000, 0)).toBe(1);
    });
  });
  // Narrow: t³/(4R³) = 27/(4·27000) = 0.00025; long: 27/(4·0.8556·27000)
  test('pressed from outside: it collapses, a long tube later than a narrow ring', () => {
    const collapse = (lengthMm: number) =>
      answerOf({ ...ring, lengthMm, loading: 'pressed-from-outside' }).response.buckling[0]!.criticalPerModulus;
    expect(collapsePerModulus(3, 30, 1)).toBeCloseTo(0.00025, 12);
    expect(collapse(0.5)).toBeCloseTo(0.00025, 7);
    expect(collapse(5000) / (27 / (4 * 0.8556 * 27000))).toBeCloseTo(1, 2);
  });
  // pushed over by δ on the bore: strain at the bore about δ/D_bore
  test('pushed over: hoop strain is about the growth over the bore', () => {
    const { place, movement } = answerOf({ ...ring, loading: 'pushed-over' });
    const strain = ((0.57 / movement(1000)) * place('bore').tensionPerUnit) / 1000;
    expect(strain).toBeGreaterThan(0.96 * 0.01);
    expect(strain).toBeLessThan(0.01);
  });
  test('a wall as thick as the ring is refused by name', () =>
    expect(() => answerOf({ ...ring, wallMm: 31.5, loading: 'pinched' })).toThrow(/wallMm/));
});

describe('plate', () => {
  const plate = { shape: 'round', lengthMm: 100, widthMm: 100, thicknessMm: 4 } as const;
  // r = 50, t = 4: clamped 3r²/4t² = 117.1875; supported 3(3.38)r²/8t² = 198.047
  test('round: stress', () => {
    expect(plateFactors({ ...plate, edges: 'clamped' }).stress).toBeCloseTo(117.1875, 6);
    expect(plateFactors({ ...plate, edges: 'supported' }).stress).toBeCloseTo((3 * 3.38 * 2500) / 128, 6);
  });
  // 3(1 − ν²)r⁴/16t³; supported over clamped is (5 + ν)/(1 + ν)
  test('round: movement', () => {
    const clamped = plateFactors({ ...plate, edges: 'clamped' }).movementMm;
    expect(clamped).toBeCloseTo((3 * 0.8556 * 50 ** 4) / (16 * 64), 6);
    expect(plateFactors({ ...plate, edges: 'supported' }).movementMm / clamped).toBeCloseTo(5.38 / 1.38, 9);
  });
  // Roark table 11.4: square supported β 0.2874, α 0.0444; 2 : 1 clamped β 0.4974, α 0.0277
  test('rectangular: rows of the table', () => {
    const of = (lengthMm: number, edges: 'supported' | 'clamped') =>
      plateFactors({ shape: 'rectangular', lengthMm, widthMm: 60, thicknessMm: 3, edges, poisson: 0.3 });
    expect(of(60, 'supported').stress).toBeCloseTo((0.2874 * 3600) / 9, 9);
    expect(of(120, 'clamped').movementMm).toBeCloseTo((0.0277 * 60 ** 4) / 27, 6);
    expect(of(600, 'clamped').stress).toBeCloseTo((0.5 * 3600) / 9, 9);
    expect(of(78, 'supported').stress).toBeCloseTo((((0.3762 + 0.453) / 2) * 3600) / 9, 6); // halfway between rows
  });
  // Timoshenko & Woinowsky-Krieger, section 30, on both moments 0.2874/6 of a square: × (1 − 0.3·0.38 + 0.08)/0.91
  test('another Poisson ratio: prints have 0.38, which bends a supported plate harder and a clamped one as hard', () => {
    const square = { shape: 'rectangular', lengthMm: 60, widthMm: 60, thicknessMm: 3 } as const;
    const at = (edges: 'supported' | 'clamped', poisson?: number) => plateFactors({ ...square, edges, poisson });
    expect(at('supported').stress / at('supported', 0.3).stress).toBeCloseTo(0.966 / 0.91, 9);
    expect(at('clamped').stress).toBe(at('clamped', 0.3).stress);
    expect(at('clamped').movementMm / at('clamped', 0.3).movementMm).toBeCloseTo(0.8556 / 0.91, 9);
  });
  test('the shorter side longer than the longer one is refused by name', () =>
    expect(() =>
      plateFactors({ shape: 'rectangular', lengthMm: 50, widthMm: 60, thicknessMm: 3, edges: 'clamped' }),
    ).toThrow(/widthMm/));
});

describe('shaft', () => {
  const shaft = {
    model: 'torsion-shaft',
    lengthMm: 60,
    section: { kind: 'round', diameterMm: 12 },
    leverMm: 20,
    filletRadiusMm: 1.2,
  } as const;
  // 16T/πd³ = T/339.292; Kt = 0.86331·0.1^−0.23865 = 1.49563
  test('shear and the tension at 45° that equals it', () => {
    const { place } = answerOf(shaft);
    expect(1000 * place('skin').shearPerUnit).toBeCloseTo((1.49563 * 1000) / 339.292, 3);
    expect(place('helix-depth').tensionPerUnit).toBe(place('skin').shearPerUnit);
  });
  // θ = 1000·60/(2035.75·700) rad · 20 mm
  test('twist at the lever', () => expect(1000 * answerOf(shaft).movement(1, 700)).toBeCloseTo(0.8421, 3));
});

describe('gear tooth', () => {
  // Shigley table 14-2
  test.each([
    [17, 0.303],
    [24, 0.337],
    [60, 0.422],
    [23, 0.334],
  ])('Lewis factor of %p teeth: %p', (teeth, factor) => expect(lewisFormFactor(teeth)).toBeCloseTo(factor, 9));
  // W = 2·1000/(2·24) = 41.667 N; σ = 41.667/(14·2·0.337) = 4.4157
  test('root stress', () =>
    expect(1000 * lewisStressPerTorque({ moduleMm: 2, teeth: 24, faceWidthMm: 14 })).toBeCloseTo(4.4157, 3));
  // V = π·48·1200/60 000 = 3.0159 m/s; (6.1 + 3.0159)/6.1
  test('speed loads a tooth harder; faster than 20 m/s is refused', () => {
    expect(velocityFactor({ moduleMm: 2, teeth: 24, speedRpm: 1200 })).toBeCloseTo(1.49441, 4);
    expect(() => velocityFactor({ moduleMm: 2, teeth: 24, speedRpm: 9000 })).toThrow(/speedRpm/);
  });
  // 7.4·41.667/(14·60) = 0.367 mm, against 2000 MPa 0.011 mm
  test('a tooth of rubber leaves its mesh', () => {
    const gear = { model: 'gear-tooth', moduleMm: 2, teeth: 24, mateTeeth: 48, faceWidthMm: 14, speedRpm: 0 } as const;
    expect(1000 * answerOf(gear).movement(60, 23)).toBeCloseTo(0.367, 3);
    const stands = (familyId: string) =>
      outcome('movement-in-range', briefWith({ kind: 'short', forceN: undefined, torqueNmm: 1000 }, gear), 'XY', {
        ...testGrade,
        observations: [],
        familyId,
      }).status;
    expect([stands('tpu-95a'), stands('pa12')]).toEqual(['unknown', 'pass']);
  });
  // 2π·1·(1 + 24/48)·2 mm/s
  test('sliding', () => {
    const { speedMPerS, pressurePerUnit } = toothSliding({
      moduleMm: 2,
      teeth: 24,
      mateTeeth: 48,
      faceWidthMm: 14,
      speedRpm: 60,
    });
    expect(speedMPerS).toBeCloseTo(0.01885, 5);
    expect(1000 * pressurePerUnit).toBeCloseTo(41.6667 / 28, 4);
  });
  test('fewer than 12 teeth are refused', () => expect(() => lewisFormFactor(11)).toThrow(/teeth/));
});

describe('pad', () => {
  // Shore A 50: 0.0981·(56 + 381.168)/(0.137505·127) = 2.4558 MPa; 70: 57.8432/10.47788 = 5.5205
  test('Gent', () => {
    expect(gentModulusMPa(50)).toBeCloseTo(2.4558, 3);
    expect(gentModulusMPa(70)).toBeCloseTo(5.5205, 3);
  });
  // disc 40 × 20: S = 0.5, 1 + 2·0.25 = 1.5; block 40 × 40 × 10: S = 1600/(20·80) = 1 → 3
  test('shape', () => {
    expect(padStiffening({ shape: 'disc', lengthMm: 40, widthMm: 1, heightMm: 20, faces: 'bonded' }).factor).toBe(1.5);
    expect(padStiffening({ shape: 'block', lengthMm: 40, widthMm: 40, heightMm: 10, faces: 'bonded' }).factor).toBe(3);
    expect(padStiffening({ shape: 'block', lengthMm: 40, widthMm: 40, heightMm: 10, faces: 'slipping' }).factor).toBe(
      1,
    );
  });
  test('movement: F·h/(E·A·factor)', () =>
    expect(
      answerOf({
        model: 'elastomer-pad',
        shape: 'disc',
        lengthMm: 40,
        widthMm: 40,
        heightMm: 20,
        faces: 'bonded',
      }).movement(10),
    ).toBeCloseTo(20 / (10 * Math.PI * 400 * 1.5), 9));
});

describe('bolted flange', () => {
  const flange = { boltDiameterMm: 5, holeDiameterMm: 5.5, headDiameterMm: 10, thicknessMm: 8, edgeDistanceMm: 20 };
  // π/4·(100 − 30.25) = 54.78; cone 10 + 8·0.57735 = 14.6188 → 144.09 mm², 8/144.09
  test('bearing area and give', () => {
    expect(boltedJoint(flange).bearingMm2).toBeCloseTo(54.782, 3);
    expect(boltedJoint(flange).printMm).toBeCloseTo(8 / 144.09, 5);
  });
  // (8 + 5)/(205000·0.75·19.635)
  test('the bolt’s own give', () =>
    expect(boltedJoint(flange).boltMmPerN).toBeCloseTo(13 / (205000 * 0.75 * 19.634954), 11));
  test('insert: pull-out over its skin', () =>
    expect(
      answerOf({ model: 'bolted-flange', ...flange, insert: { diameterMm: 6.3, lengthMm: 9 } }).place('insert')
        .shearPerUnit,
    ).toBeCloseTo(1 / (Math.PI * 6.3 * 9), 12));
  test('a head that falls through is refused by name', () =>
    expect(() => boltedJoint({ ...flange, headDiameterMm: 5.5 })).toThrow(/headDiameterMm/));
});

describe('hot contact', () => {
  // √(0.2·1270·1200) = 552.09
  test('effusivity', () =>
    expect(effusivity({ conductivityWPerMK: 0.2, densityGPerCm3: 1.27, heatJPerGK: 1.2 })).toBeCloseTo(552.09, 1));
  // equal bodies meet halfway; steel dominates plastic: (600·20 + 14000·100)/14600
  test('contact temperature', () => {
    const at = (other: number) =>
      contactTemperatureC({ ownEffusivity: 600, ownTemperatureC: 20, otherEffusivity: other, otherTemperatureC: 100 });
    expect(at(600)).toBe(60);
    expect(at(14000)).toBeCloseTo(96.7123, 3);
  });
  test('touches add up: 4 s × 900 = 1 h', () => {
    const { body } = answerOf({
      model: 'hot-contact',
      areaMm2: 600,
      thicknessMm: 8,
      otherBody: 'brass',
      otherTemperatureC: 100,
      ownTemperatureC: 23,
      contactS: 4,
      touches: 900,
    });
    expect(body.contact!.totalH).toBe(1);
  });
});
