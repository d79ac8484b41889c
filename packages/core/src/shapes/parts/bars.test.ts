import { ALONG, angleToLayersDeg } from './direction.ts';
import { beamFactors } from './beam.ts';
import { answerOf } from './testPart.ts';
import { bucklingLoad, eulerPerModulus } from './strut.ts';
import { bracketFrame, ROOT_TURN } from './bracketFrame.ts';

const flat = { kind: 'rectangle', widthMm: 20, depthMm: 6 } as const; // A = 120, I = 360, sideways 4000

describe('arm', () => {
  const arm = { model: 'cantilever-arm', spanMm: 60, section: flat, filletRadiusMm: 0.6 } as const;
  // 15·60³/(3·2400·360) + 1.2·15·60/(870·120) = 1.25 + 0.010345
  test('movement: bending and shear', () => expect(15 * answerOf(arm).movement(2400, 870)).toBeCloseTo(1.260345, 6));
  // σ₀ = 15·60·3/360 = 7.5 MPa; Kt(0.1) = 1.9545; τ = 1.5·15/120
  test('root stress and shear', () => {
    const { place } = answerOf(arm);
    expect(15 * place('root-fibre').tensionPerUnit).toBeCloseTo(14.659, 2);
    expect(15 * place('root-fibre').compressionPerUnit).toBeCloseTo(7.5, 9);
    expect(15 * place('neutral-axis').shearPerUnit).toBeCloseTo(0.1875, 9);
  });
  test('sideways it bends over its width, 20³·6/12 = 4000 mm⁴, and shears planes facing the width', () => {
    const { movement, place } = answerOf(arm, 'width');
    expect(15 * movement(2400)).toBeCloseTo((15 * 60 ** 3) / (3 * 2400 * 4000), 9);
    expect(place('neutral-axis').shearPlanes).toEqual(['length', 'width']);
  });
});

describe('how a bar is held', () => {
  const arm = { model: 'cantilever-arm', spanMm: 60, section: flat, filletRadiusMm: 0.6 } as const;
  test('without a shoulder nothing concentrates: the stress is the nominal one', () => {
    const { place } = answerOf({ ...arm, shoulder: 'runs-on' });
    expect(15 * place('root-fibre').tensionPerUnit).toBeCloseTo(7.5, 9);
    expect(place('root-fibre').concentration).toBe(1);
    const tie = answerOf({ model: 'tie', lengthMm: 80, section: flat, filletRadiusMm: 0.6, shoulder: 'runs-on' });
    expect(600 * tie.place('shoulder').tensionPerUnit).toBeCloseTo(5, 9);
    const shaft = { model: 'torsion-shaft', lengthMm: 60, leverMm: 20, filletRadiusMm: 1 } as const;
    const round = { kind: 'round', diameterMm: 10 } as const;
    // 16·T/(π·d³)
    expect(answerOf({ ...shaft, section: round, shoulder: 'runs-on' }).place('skin').shearPerUnit).toBeCloseTo(
      16 / (Math.PI * 1000),
      9,
    );
  });
  // θ = 16.67/π · M/(E·b·d²) = 5.3062·900/(2400·20·36) = 0.0027637; × 60 mm
  test('a printed wall lets the root turn; stress and shear stay', () => {
    const [rigid, wall] = [answerOf(arm), answerOf({ ...arm, root: 'printed-wall' })];
    expect(15 * (wall.movement(2400) - rigid.movement(2400))).toBeCloseTo(0.165822, 5);
    expect(wall.place('root-fibre')).toEqual(rigid.place('root-fibre'));
    expect(answerOf({ ...arm, root: 'rigid' }).movement(2400)).toBe(rigid.movement(2400));
  });
});

describe('beam', () => {
  // Roark table 8.1: F·L³/48EI and F·L/4; 5wL⁴/384EI and wL²/8; F·L³/192EI and F·L/8; wL⁴/384EI and wL²/12
  test.each([
    ['supported', 'point', 1 / 48, 1 / 4, 0, 1 / 2],
    ['supported', 'spread', 5 / 384, 1 / 8, 0, 1 / 2],
    ['clamped', 'point', 1 / 192, 1 / 8, 1 / 8, 1 / 2],
    ['clamped', 'spread', 1 / 384, 1 / 24, 1 / 12, 1 / 2],
  ] as const)('%s, %s', (ends, loading, bending, span, end, shear) => {
    const factors = beamFactors({ spanMm: 100, ends, loading });
    expect(factors.bendingMm3 / 1e6).toBeCloseTo(bending, 9);
    expect(factors.spanMomentMm / 100).toBeCloseTo(span, 9);
    expect(factors.endMomentMm / 100).toBeCloseTo(end, 9);
    expect(factors.shear).toBeCloseTo(shear, 9);
  });
  // a = 25, b = 75: supported F·a·b/L = 18.75, a²b²/(3L) = 11718.75; clamped: nearer end a·b²/L² = 14.0625
  test('a load off the middle', () => {
    const off = (ends: 'supported' | 'clamped') => beamFactors({ spanMm: 100, positionMm: 25, ends, loading: 'point' });
    expect(off('supported')).toMatchObject({ spanMomentMm: 18.75, bendingMm3: 11718.75, shear: 0.75 });
    expect(off('clamped').endMomentMm).toBeCloseTo(14.0625, 9);
    expect(off('clamped').shear).toBeCloseTo(0.84375, 9); // b²(b + 3a)/L³
  });
  test('three-point bend bar 80 × 10 × 4 over 64 mm (ISO 178): σ = 3FL/2bh², δ = FL³/4Ebh³', () => {
    const { place, movement } = answerOf({
      model: 'beam',
      spanMm: 64,
      section: { kind: 'rectangle', widthMm: 10, depthMm: 4 },
      ends: 'supported',
      loading: 'point',
      filletRadiusMm: 0,
    });
    expect(100 * place('span-fibre').tensionPerUnit).toBeCloseTo((3 * 100 * 64) / (2 * 10 * 16), 9);
    expect(100 * movement(2000)).toBeCloseTo((100 * 64 ** 3) / (4 * 2000 * 10 * 64), 9);
  });
  test('a load outside of the span is refused by name', () =>
    expect(() => beamFactors({ spanMm: 100, positionMm: 100, ends: 'supported', loading: 'point' })).toThrow(
      /positionMm/,
    ));
});

describe('tie', () => {
  const { place, movement } = answerOf({ model: 'tie', lengthMm: 80, section: flat, filletRadiusMm: 0.6 });
  // r/d = 0.6/6: 1.0996·0.1^−0.32077 = 2.3014; 600/120 = 5 MPa
  test('stress', () => expect(600 * place('shoulder').tensionPerUnit).toBeCloseTo(5 * 2.3014, 2));
  test('stretch: 600·80/(2000·120) = 0.2 mm', () => expect(600 * movement(2000)).toBeCloseTo(0.2, 9));
});

describe('strut', () => {
  // π²·2000·360/(100²) = 710.6 N pinned
  test('Euler', () =>
    expect(2000 * eulerPerModulus({ lengthMm: 100, secondMomentMm4: 360, effectiveLengthFactor: 1 })).toBeCloseTo(
      710.61,
      2,
    ));
  test('slender: Euler; stocky: Johnson; they meet at half the crushing load', () => {
    expect(bucklingLoad(400, 1000)).toBe(400);
    expect(bucklingLoad(1000, 1000)).toBeCloseTo(750, 9); // 1000·(1 − 1/4)
    expect(bucklingLoad(500, 1000)).toBeCloseTo(500, 9);
    expect(bucklingLoad(1e9, 1000)).toBeCloseTo(1000, 3);
  });
  test('buckles about its weaker axis whichever way it is drawn', () => {
    const critical = (section: { kind: 'rectangle'; widthMm: number; depthMm: number }) =>
      answerOf({ model: 'strut', lengthMm: 100, section, ends: 'pinned' }).response.buckling[0]!.criticalPerModulus;
    expect(critical(flat)).toBeCloseTo(critical({ kind: 'rectangle', widthMm: 6, depthMm: 20 }), 12);
  });
  test('ideal ends: clamped at both 4 times as much as pinned, in practice (1/0.65)² = 2.37 times', () => {
    const critical = (ends: 'pinned' | 'clamped', endFit?: 'ideal') =>
      answerOf({ model: 'strut', lengthMm: 100, section: flat, ends, ...(endFit ? { endFit } : {}) }).response
        .buckling[0]!.criticalPerModulus;
    expect(critical('clamped', 'ideal') / critical('pinned', 'ideal')).toBeCloseTo(4, 9);
    expect(critical('clamped') / critical('pinned')).toBeCloseTo(1 / 0.65 ** 2, 9);
  });
  test('clamped at one end and free: (2.1/1)² = 4.41 times less than pinned', () => {
    const critical = (ends: 'pinned' | 'clamped-free') =>
      answerOf({ model: 'strut', lengthMm: 100, section: flat, ends }).response.buckling[0]!.criticalPerModulus;
    expect(critical('pinned') / critical('clamped-free')).toBeCloseTo(4.41, 9);
  });
});

describe('two-member bracket', () => {
  const bar = { depthMm: 10, widthMm: 10 };
  const frame = { reachMm: 120, dropMm: 90, tie: bar, strut: bar, beyondMm: 0 };
  const foil = { depthMm: 0.01, widthMm: 10_000 };
  // 3-4-5: strut 150 mm, T = 120/90·F = 4/3, C = 150/90·F = 5/3; δ·E = (16/9·120 + 25/9·150)/100 = 6.3
  test('members that do not bend make the pinned 3-4-5 frame', () => {
    const pinned = bracketFrame({ ...frame, tie: foil, strut: foil });
    expect(pinned.strut.lengthMm).toBe(150);
    expect(pinned.tie.forcePerN).toBeCloseTo(4 / 3, 5);
    expect(pinned.strut.forcePerN).toBeCloseTo(5 / 3, 5);
    expect(pinned.dropPerModulus).toBeCloseTo(6.3, 4);
  });
  test('moments at the joint balance the load beyond it', () => {
    const { tie, strut } = bracketFrame({ ...frame, beyondMm: 15 });
    expect(tie.jointMomentPerN + strut.jointMomentPerN).toBeCloseTo(15, 9);
  });
  // δ·E = (L + e)³/3I + ROOT_TURN·(L + e)²/(b·d²), M at the root L + e.
  test('without a strut it is a cantilever whose root gives', () => {
    const alone = bracketFrame({ ...frame, strut: { depthMm: 1e-4, widthMm: 1e-4 }, beyondMm: 30 });
    expect(alone.tie.rootMomentPerN).toBeCloseTo(150, 2);
    const wanted = 150 ** 3 / (3 * (1e4 / 12)) + (ROOT_TURN * 150 ** 2) / 1e3;
    expect(alone.dropPerModulus / wanted).toBeCloseTo(1, 4);
  });
  test('the drop grows with the square of the distance beyond the joint, from that of the pinned frame on', () => {
    const drop = (beyondMm: number) => bracketFrame({ ...frame, beyondMm }).dropPerModulus;
    expect(drop(0)).toBeLessThan(6.3);
    expect(drop(0)).toBeGreaterThan(6.3 * 0.97);
    expect(drop(10)).toBeGreaterThan(1.2 * drop(0));
    expect(drop(40)).toBeGreaterThan(4 * drop(20) - 3 * drop(0));
  });
  const bracket = {
    model: 'wall-bracket',
    reachMm: 120,
    dropMm: 90,
    tie: bar,
    strut: bar,
    filletRadiusMm: 3,
    beyondJointMm: 0,
  } as const;
  // Root held, joint free to turn: 3·E·δ·c/L² = 3·6.3·5/120² = 0.0066 MPa/N; the joint and the root take a little of it either way.
  test('with the load at the joint the root of the tie is bent by the drop alone', () => {
    const { tie } = bracketFrame(frame);
    const bent = (6 * tie.rootMomentPerN) / 1000;
    expect(bent / 0.0065625).toBeGreaterThan(0.85);
    expect(bent / 0.0065625).toBeLessThan(1.15);
    // Kt(0.3) = 1.0996·0.3^−0.32077 = 1.61796
    expect(answerOf(bracket).place('tie-root').tensionPerUnit).toBeCloseTo(1.61796 * (tie.forcePerN / 100 + bent), 5);
  });
  test('nothing stated, the load hangs a depth of the tie beyond the joint', () => {
    const { beyondJointMm: _none, ...unstated } = bracket;
    expect(answerOf(unstated).movement(1)).toBeCloseTo(answerOf({ ...bracket, beyondJointMm: 10 }).movement(1), 12);
  });
  // π²·833.33/(0.8·150)² / C
  test('the strut bows out', () =>
    expect(answerOf(bracket).response.buckling[0]!.criticalPerModulus).toBeCloseTo(
      (Math.PI ** 2 * (10 ** 4 / 12)) / 120 ** 2 / bracketFrame(frame).strut.forcePerN,
      9,
    ));
  test('the movement of the model is the frame’s', () =>
    expect(answerOf(bracket).movement(1)).toBeCloseTo(bracketFrame(frame).dropPerModulus, 9));
  test('the strut leans: asin(0.8) = 53.13° to layers stacked out from the wall', () =>
    expect(angleToLayersDeg(answerOf(bracket).place('strut').direction, ALONG.length)).toBeCloseTo(53.1301, 3));
  test.each(['reachMm', 'dropMm'] as const)('%s of nothing is refused by name', (field) =>
    expect(() => bracketFrame({ ...frame, [field]: 0 })).toThrow(new RegExp(field)),
  );
});

describe('any shape at one cut', () => {
  const cut = {
    model: 'section-at-plane',
    section: { kind: 'rectangle', widthMm: 20, depthMm: 6 },
    leverMm: 60,
    volumeMm3: 5000,
    lengthMm: 80,
  } as const;
  test('bending only: the arm’s root without its fillet', () =>
    expect(15 * answerOf({ ...cut, pullShare: 0 }).place('cut-fibre').tensionPerUnit).toBeCloseTo(7.5, 9));
  // 15/120 + 7.5
  test('pulled and bent', () =>
    expect(15 * answerOf({ ...cut, pullShare: 1 }).place('cut-fibre').tensionPerUnit).toBeCloseTo(7.625, 9));
  test('does not pretend to know how far it moves', () =>
    expect(answerOf({ ...cut, pullShare: 0 }).response).toMatchObject({ complianceTerms: [], shear: undefined }));
});
