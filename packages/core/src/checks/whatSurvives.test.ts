import { spellOut } from '@anvilstone/core/foundations';
/** Laws of heat, cold, state and knocks that hold for every family with every filler, and outcomes that are common knowledge. */
import type { Brief, Conditioning, Grade } from '@anvilstone/schema';
import { evaluate } from '../evaluation/evaluating/evaluate.ts';
import { formLimitAfter } from '../materials/behaviour/formLimit.ts';
import { prepareMaterial } from '../materials/behaviour/material.ts';
import { families } from '../materials/reference/family.ts';
import { reinforcements } from '../materials/reference/reinforcement.ts';
import { defaultCompanyRules } from '../materials/companyRules/companyRules.ts';
import { sampleLibrary } from '../education/sample/index.ts';
import { testBrief, testGrade, testLoad } from './testContext.ts';

/** A grade of which nothing is known but its family and filler. */
const gradeOf = (familyId: string, reinforcementId: string | null = null): Grade => ({
  ...testGrade,
  id: `${familyId} ${reinforcementId ?? ''}`.trim(),
  familyId,
  reinforcementId,
  observations: [],
});
const materialOf = (familyId: string, filler: string | null = null, state: Conditioning = 'dry', annealed = false) =>
  prepareMaterial(gradeOf(familyId, filler), state, defaultCompanyRules, false, { annealed });
const behaviourOf = (...given: Parameters<typeof materialOf>) => materialOf(...given).behaviour!;

const plastics = families.filter(({ morphology }) => morphology !== 'support');
const fillers = reinforcements.filter(({ kind }) => kind.includes('fibre') || kind.includes('mineral'));
const ids = plastics.map(({ id }) => id);
const filled = ids.flatMap((id) => fillers.map((filler) => [id, filler.id] as const));

/** An arm under next to nothing, in warm air for long. */
const warm = (steadyC: number, more: Partial<Brief> = {}, forceN = 0.05): Brief => ({
  ...testBrief,
  loadCases: [{ ...testLoad, forceN, durationH: 2000 }],
  asks: { heat: { steadyC, steadyH: 2000 } },
  ...more,
});
const statusOf = (brief: Brief, grade: Grade) =>
  evaluate(brief, { ...sampleLibrary, grades: [grade] }).grades[0]!.best.status;

describe('heat', () => {
  test.each(ids)('%s: no load is low enough to pass above its form limit, filled or not', (id) => {
    for (const filler of [null, 'glass-30', 'carbon-20']) {
      const { form } = behaviourOf(id, filler);
      expect(statusOf(warm(form.continuousC + 1), gradeOf(id, filler))).toBe('fail');
    }
  });
  test.each(ids)('%s: the form limit lies where its state puts it, far below melting', (id) => {
    const { form, solidity, glassTransitionC } = behaviourOf(id);
    const { meltingC } = plastics.find((one) => one.id === id)!;
    expect(form.peakC).toBeGreaterThan(form.continuousC);
    if (solidity === 'amorphous') expect(form.continuousC).toBeCloseTo(glassTransitionC - 10, 9);
    else expect(form.peakC).toBeLessThanOrEqual(meltingC! - (solidity === 'elastomer' ? 40 : 20));
    for (const [shorter, longer] of [
      [0.1, 1],
      [1, 30],
      [30, 5000],
    ] as const)
      expect(formLimitAfter(form, longer)).toBeLessThanOrEqual(formLimitAfter(form, shorter));
  });
  test('fibre adds a few kelvin to the form limit of an amorphous matrix, and none to that of crystals', () => {
    for (const [id, filler] of filled) {
      const gainK = behaviourOf(id, filler).form.continuousC - behaviourOf(id).form.continuousC;
      expect({ id, filler, ok: gainK >= 0 && gainK <= 5 }).toEqual({ id, filler, ok: true });
    }
  });
  test('the stiffer sister is never the softer one when it is hot', () => {
    for (const [id, filler] of filled) {
      const [neat, stiff] = [materialOf(id), materialOf(id, filler)];
      if (!neat.modulus.inPlane.known || !stiff.modulus.inPlane.known) continue;
      if (stiff.modulus.inPlane.value < neat.modulus.inPlane.value) continue;
      // Above its form limit nothing is claimed of a grade.
      for (let t = 23; t <= neat.behaviour!.form.peakC + 10; t += 4) {
        const ratio =
          (stiff.modulus.inPlane.value * stiff.modulusRatio(t)) / (neat.modulus.inPlane.value * neat.modulusRatio(t));
        expect({ id, filler, t, isStiffer: ratio > 0.99 }).toEqual({ id, filler, t, isStiffer: true });
      }
    }
  });
  test('filler holds creep back below the glass transition of an amorphous matrix, and not at it', () => {
    for (const [id, filler] of filled) {
      const [neat, stiff] = [behaviourOf(id), behaviourOf(id, filler)];
      if (neat.solidity !== 'amorphous') continue;
      const growth = (material: ReturnType<typeof materialOf>, t: number) => material.creepGrowth(t, 100);
      if (neat.glassTransitionC > 60)
        expect(growth(materialOf(id, filler), 23)).toBeLessThan(growth(materialOf(id), 23));
      const tg = neat.glassTransitionC;
      expect(stiff.glassTransitionC).toBe(tg);
      expect(growth(materialOf(id, filler), tg) / growth(materialOf(id), tg)).toBeCloseTo(1, 6);
    }
  });
  test('a thicker wall does not cure warping, and a filler does not exempt from it', () => {
    const changeOf = (grade: Grade, depthMm: number) => {
      const part = { ...testBrief.part, section: { kind: 'rectangle', widthMm: 20, depthMm } } as const;
      // One machine for both: in a warm chamber less stress is printed in.
      const machines = sampleLibrary.machines.filter(({ id }) => id === 'workshop-enclosed');
      const { checks } = evaluate(warm(70, { part }), { ...sampleLibrary, machines, grades: [grade] }).grades[0]!.best;
      return checks.find(({ checkId }) => checkId === 'keeps-shape')!.demand!;
    };
    expect(changeOf(gradeOf('petg'), 20)).toBe(changeOf(gradeOf('petg'), 5));
    expect(changeOf(gradeOf('petg', 'carbon-15'), 10)).toBeGreaterThan(0.3 * changeOf(gradeOf('petg'), 10));
  });
});

describe('state', () => {
  test.each(['pet', 'pps', 'peek'])(
    '%s comes off the printer amorphous; the oven takes it beyond its glass transition',
    (id) => {
      const { glassTransitionC } = behaviourOf(id);
      for (const filler of [null, 'carbon-15']) {
        const [printed, annealed] = [behaviourOf(id, filler), behaviourOf(id, filler, 'dry', true)];
        expect(printed.form.continuousC).toBeLessThan(glassTransitionC);
        expect(printed.curve.ratio(glassTransitionC + 15)).toBeLessThan(0.05);
        expect(annealed.form.continuousC).toBeGreaterThan(glassTransitionC + 20);
        expect(annealed.curve.ratio(glassTransitionC + 15)).toBeGreaterThan(0.05);
      }
    },
  );
  test('heat deflection of a crystallised bar tells nothing of an amorphous print, and says so', () => {
    const moulded: Grade = {
      ...gradeOf('pet', 'carbon-15'),
      observations: [
        {
          id: 'hdt',
          property: 'heatDeflectionTemperature',
          value: 150,
          unit: '°C',
          hdtStressMPa: 0.45,
          source: 'datasheet',
          specimen: 'moulded',
          reference: 'sheet',
        },
      ],
    };
    const at = (annealed: boolean) =>
      prepareMaterial(moulded, 'dry', defaultCompanyRules, false, { annealed }).behaviour!;
    expect(at(false).curve.endC).toBeLessThan(100);
    expect(at(false).hdtNote).toMatch(/left out: taken on crystallised bars/);
    expect(at(true).curve.knots.map(({ temperatureC }) => temperatureC)).toContain(150);
  });
  const bars = (crystallinity: 'amorphous' | 'crystallised' | undefined, specimen: 'printed' | 'moulded'): Grade => ({
    ...gradeOf('peek'),
    observations: (['tensileModulus', 'tensileStrength', 'heatDeflectionTemperature'] as const).map((property, i) => ({
      id: property,
      property,
      value: [3600, 90, crystallinity === 'amorphous' ? 138 : 150][i]!,
      unit: ['MPa', 'MPa', '°C'][i]!,
      ...(property === 'heatDeflectionTemperature' ? { hdtStressMPa: 1.8 } : {}),
      source: 'datasheet' as const,
      specimen,
      ...(crystallinity ? { crystallinity } : {}),
      reference: 'sheet',
    })),
  });
  const printedAs = (grade: Grade, state: { annealed?: boolean; inChamber?: boolean } = {}) => {
    const { modulus, strength, behaviour } = prepareMaterial(grade, 'dry', defaultCompanyRules, true, state);
    if (!modulus.inPlane.known || !strength.inPlane.known) throw new Error('both are stated');
    return { modulus: modulus.inPlane, strength: strength.inPlane, behaviour: behaviour! };
  };
  test('stiffness and strength of crystallised bars are brought to an amorphous print, one class weaker', () => {
    const grade = bars('crystallised', 'printed');
    const [asPrinted, annealed] = [printedAs(grade), printedAs(grade, { annealed: true })];
    expect(asPrinted.modulus.value / annealed.modulus.value).toBeCloseTo(0.8, 9);
    expect(asPrinted.strength.value / annealed.strength.value).toBeCloseTo(0.82, 9);
    expect(asPrinted.modulus.evidence > annealed.modulus.evidence).toBe(true);
    expect(JSON.stringify(asPrinted.modulus.steps)).toMatch(/crystallised bars, and as printed it is amorphous/);
  });
  test('a moulded bar that states nothing had crystallised, a printed one had not; crystals never add to an amorphous bar', () => {
    const modulusOf = (grade: Grade, annealed = false) => printedAs(grade, { annealed }).modulus.value;
    const moulded = bars(undefined, 'moulded');
    const printed = bars(undefined, 'printed');
    expect(modulusOf(moulded) / modulusOf(moulded, true)).toBeCloseTo(0.8, 9);
    expect(modulusOf(printed)).toBe(modulusOf(printed, true));
    expect(modulusOf(printed)).toBeGreaterThan(3600 * 0.9);
  });
  test('heat deflection stated as amorphous counts for the print, as crystallised for what has crystallised', () => {
    expect(printedAs(bars('amorphous', 'printed')).behaviour.hdtNote).toMatch(/^the grade’s own heat/);
    expect(printedAs(bars('crystallised', 'printed')).behaviour.hdtNote).toMatch(/1 of its own left out/);
    const both = { ...bars('amorphous', 'printed') };
    const crystal = bars('crystallised', 'printed').observations[2]!;
    const grade: Grade = { ...both, observations: [...both.observations, { ...crystal, id: 'second' }] };
    const knots = (state: { annealed?: boolean }) =>
      printedAs(grade, state).behaviour.curve.knots.map(({ temperatureC }) => temperatureC);
    expect(knots({})).toContain(138);
    expect(knots({})).not.toContain(150);
    expect(knots({ annealed: true })).toContain(150);
    expect(knots({ annealed: true })).not.toContain(138);
  });
  test.each(['pet', 'pps', 'peek'])(
    '%s crystallises as it is laid in a chamber that is hot enough, and only there',
    (id) => {
      const [laid, annealed] = [{ inChamber: true }, { annealed: true }].map((state) => printedAs(gradeOf(id), state));
      expect(laid!.behaviour.solidity).toBe('crystallised');
      expect(laid!.modulus.value).toBe(annealed!.modulus.value);
      const verdict = (maximumChamberC: number) => {
        const machine = {
          ...sampleLibrary.machines[0]!,
          enclosure: 'heated' as const,
          maximumChamberC,
          maximumNozzleC: 450,
          maximumBedC: 200,
          nozzleMaterial: 'hardened' as const,
        };
        const brief: Brief = { ...testBrief, crystallisedInChamber: true };
        const library = { ...sampleLibrary, machines: [machine], grades: [gradeOf(id)] };
        return evaluate(brief, library).grades[0]!.best.checks.find(({ checkId }) => checkId === 'printable')!;
      };
      const { glassTransitionC } = behaviourOf(id);
      expect(spellOut(verdict(glassTransitionC + 14).reason)).toMatch(
        /Crystallises as it is laid only in a chamber at/,
      );
      expect(spellOut(verdict(glassTransitionC + 15).reason) ?? '').not.toMatch(/Crystallises as it is laid/);
    },
  );
  test('a chamber changes nothing of what crystallises anyhow, or never', () => {
    for (const id of ['pa12', 'abs', 'pp', 'tpu-95a', 'pekk-amorphous'])
      expect(printedAs(gradeOf(id), { inChamber: true }).behaviour.form).toEqual(printedAs(gradeOf(id)).behaviour.form);
  });
  test('filled polyesters and PPS go by a table of their own: strengthened less than a polyamide, and brittle', () => {
    const gain = (id: string) => {
      const [neat, filled] = [materialOf(id).strength.inPlane, materialOf(id, 'glass-30').strength.inPlane];
      return neat.known && filled.known ? filled.value / neat.value : Number.NaN;
    };
    for (const id of ['pet', 'pbt', 'pps']) {
      expect(gain(id)).toBeCloseTo(1.3, 9);
      const stretch = materialOf(id, 'glass-30').property('elongationBreak');
      expect(stretch.known && stretch.value).toBeLessThan(3);
    }
    expect(gain('pa6')).toBeCloseTo(1.4, 9);
  });
  test('water never lowers creep, in filled grades neither; polyamide 6 creeps about twice as much', () => {
    for (const id of ids)
      for (const filler of [null, 'glass-30']) {
        const growth = (state: Conditioning) => materialOf(id, filler, state).creepGrowth(23, 48) - 1;
        expect(growth('conditioned')).toBeGreaterThanOrEqual(growth('dry'));
        expect(growth('wet')).toBeGreaterThanOrEqual(growth('conditioned'));
      }
    const creep = (state: Conditioning) => behaviourOf('pa6', 'glass-30', state).creep.creepA;
    expect(creep('conditioned') / creep('dry')).toBeGreaterThan(1.5);
  });
});

describe('cold and knocks', () => {
  test('cold makes nothing stronger than at 23 °C', () => {
    for (const id of ids)
      for (const t of [-60, -30, 0, 22]) expect(materialOf(id).strengthFactor(t, 1 / 60)).toBeLessThanOrEqual(1);
  });
  test('fibre never raises notched energy, nor lowers where it turns brittle', () => {
    for (const [id, filler] of filled) {
      const of = (property: 'charpyNotched' | 'brittlenessTemperature', which: string | null) => {
        const found = materialOf(id, which).property(property);
        return found.known ? found.value : Number.NaN;
      };
      const facts = {
        id,
        filler,
        energy: !(of('charpyNotched', filler) > of('charpyNotched', null)),
        brittle: !(of('brittlenessTemperature', filler) < of('brittlenessTemperature', null)),
      };
      expect(facts).toEqual({ id, filler, energy: true, brittle: true });
    }
  });
  const knock = (temperatureC: number): Brief => ({
    ...testBrief,
    loadCases: [{ ...testLoad, kind: 'knock', forceN: undefined, energyJ: 0.5, temperatureC }],
  });
  const reserveOf = (brief: Brief, id: string, checkId: string) =>
    evaluate(brief, { ...sampleLibrary, grades: [gradeOf(id)] }).grades[0]!.best.checks.find(
      (check) => check.checkId === checkId,
    )!.reserve!;
  test('at −30 °C polylactide is not the shock-proof choice', () => {
    for (const tougher of ['pc', 'tpu-95a', 'pa12', 'cpe-heat'])
      expect(reserveOf(knock(-30), tougher, 'impact-unbroken')).toBeGreaterThan(
        reserveOf(knock(-30), 'pla', 'impact-unbroken'),
      );
    expect(reserveOf(knock(-30), 'pla', 'struck-fast')).toBeLessThan(1);
  });
  test('across the layers a knock takes less, the less the more a notch matters; fibre makes that no better', () => {
    for (const [id, filler] of [...ids.map((one) => [one, null] as const), ...filled]) {
      const of = (direction: 'in-plane' | 'across', which: string | null = filler) => {
        const found = materialOf(id, which).property('charpyNotched', direction);
        return found.known ? found.value : Number.NaN;
      };
      const facts = { id, filler, less: of('across') < of('in-plane'), no: !(of('across') > of('across', null)) };
      expect(facts).toEqual({ id, filler, less: true, no: true });
    }
    const share = (id: string) => {
      const [across, within] = (['across', 'in-plane'] as const).map((one) =>
        materialOf(id).property('charpyNotched', one),
      );
      return across!.known && within!.known ? across!.value / within!.value : Number.NaN;
    };
    // Polycarbonate is famous for both: tough, and helpless against a notch; rubber-toughened ABS is not.
    expect(share('pc')).toBeLessThan(0.6 * share('abs'));
  });
  test('water makes a polyamide more tolerant of the notches between its layers, not a polyester', () => {
    const filletOf = (id: string, state: Conditioning) => {
      const arm: Brief = {
        ...testBrief,
        moisture: state,
        part: { ...testBrief.part, filletRadiusMm: 2 } as Brief['part'],
      };
      const straight = { ...arm, part: { ...arm.part, shoulder: 'runs-on' } as Brief['part'] };
      const capacity = (brief: Brief) =>
        evaluate(
          brief,
          { ...sampleLibrary, grades: [gradeOf(id)] },
          { orientations: ['ZX'] },
        ).grades[0]!.best.checks.find(({ checkId }) => checkId === 'strength-across-layers')!.capacity!;
      return capacity(straight) / capacity(arm);
    };
    expect(filletOf('pa6', 'dry')).toBeCloseTo(1.15, 9);
    expect(filletOf('pa6', 'conditioned')).toBeCloseTo(1, 9);
    expect(filletOf('pbt', 'dry')).toBeCloseTo(1.3, 9);
    expect(filletOf('pbt', 'conditioned')).toBeCloseTo(1.3, 9);
    expect(filletOf('abs', 'dry')).toBe(1);
  });
  test('what stretches before it yields takes more of a knock than its stiffness says', () => {
    const room = knock(23);
    expect(reserveOf(room, 'pp', 'impact-undamaged')).toBeGreaterThan(reserveOf(room, 'pla', 'impact-undamaged'));
  });
});

/** What any handbook or workshop says of a lightly loaded part; `passes` in warm air for 2000 h. */
test.each<[family: string, filler: string | null, annealed: boolean, steadyC: number, passes: boolean, source: string]>(
  [
    ['pla', null, false, 62, false, 'Tg of PLA 55 to 60 °C: softens in a parked car'],
    ['pla', 'carbon-15', false, 62, false, 'fibre hardly lifts an amorphous matrix'],
    ['pla', null, true, 70, true, 'crystallised PLA: heat deflection above 80 °C'],
    ['petg', null, false, 88, false, 'Tg of PETG about 80 °C'],
    ['petg', null, false, 55, true, 'serves to some 60 °C'],
    ['abs', null, false, 70, true, 'heat deflection of ABS above 85 °C'],
    ['abs', null, false, 105, false, 'Tg of ABS 105 °C'],
    ['pc', null, false, 110, true, 'heat deflection of PC 127 to 137 °C'],
    ['pet', 'carbon-15', false, 100, false, 'amorphous PET: Tg 77 °C'],
    ['pet', 'carbon-15', true, 100, true, 'crystallised PET: melts at 250 °C'],
    ['tpu-95a', null, false, 180, false, 'soft TPU is sintered at 110 °C'],
    ['pa12', null, false, 80, true, 'PA12 lines under a bonnet'],
    ['peek', null, true, 200, true, 'crystallised PEEK: 240 °C in continuous service'],
    ['peek', null, false, 170, false, 'amorphous PEEK: Tg 143 °C'],
  ],
)('%s %s, annealed %s, %p °C: passes %s (%s)', (family, filler, annealed, steadyC, passes) => {
  const status = statusOf(warm(steadyC, annealed ? { annealed } : {}), gradeOf(family, filler));
  expect(status === 'pass').toBe(passes);
});
