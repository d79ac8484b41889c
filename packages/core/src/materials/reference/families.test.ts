import { inWords } from '@anvilstone/core/foundations';
import { families, findFamily, type Family } from './family.ts';
import { findReinforcement, matrixKindOf, reinforcements } from './reinforcement.ts';
import { surroundings } from './surroundings.ts';

/**
 * The tables behind every estimate, held to what physics and the field’s own words demand of any polymer. A digit that was
 * misplaced in one of some three thousand numbers shows here and nowhere else.
 */
const models = families.filter(({ morphology }) => morphology !== 'support');
const each = (list: readonly Family[]) => list.map((family) => [family.id, family] as const);
const rising = ({ low, mid, high }: { low: number; mid: number; high: number }) => low <= mid && mid <= high;
const share = (value: number) => value > 0 && value <= 1;

describe.each(each(families))('%s', (_id, family) => {
  test('every range runs from low over mid to high', () => {
    const ranges = Object.entries(family).filter(
      (entry): entry is [string, { low: number; mid: number; high: number }] =>
        typeof entry[1] === 'object' && entry[1] !== null && 'mid' in entry[1],
    );
    expect(ranges.length).toBeGreaterThan(4);
    expect(ranges.filter(([, range]) => !rising(range)).map(([name]) => name)).toEqual([]);
    for (const { low, high } of [family.bedC, family.fanPct]) expect(low).toBeLessThanOrEqual(high);
  });
  test('weighs what polymers weigh, melted a little less', () => {
    // What foams is mostly gas, and its melt is told before it expands.
    expect(family.densityGPerCm3).toBeGreaterThan(family.foaming ? 0.3 : 0.8);
    expect(family.densityGPerCm3).toBeLessThan(2);
    if (!family.foaming) expect(family.meltDensityGPerCm3).toBeLessThanOrEqual(family.densityGPerCm3 * 1.001);
  });
  test('is heard to melt above its glass transition, and printed above it', () => {
    if (family.meltingC !== null) expect(family.meltingC).toBeGreaterThan(family.glassTransitionC);
    expect(family.nozzleC.low).toBeGreaterThan(family.glassTransitionC);
    expect(family.nozzleC.high).toBeLessThanOrEqual(480);
    expect(family.bedC.high).toBeLessThan(family.nozzleC.low);
  });
  test('bends less under the heavier standard load: its HDT at 1.8 MPa is no higher than at 0.45 MPa', () => {
    if (family.hdt045C !== null && family.hdt180C !== null) expect(family.hdt180C).toBeLessThanOrEqual(family.hdt045C);
  });
  test('is dried below where its spool would fuse, for some hours', () => {
    expect(family.dryingC).toBeGreaterThan(30);
    expect(family.dryingC).toBeLessThan(family.nozzleC.low);
    expect(family.dryingH).toBeGreaterThan(0);
    expect(family.openHoursAt50Rh).toBeGreaterThan(0);
  });
  test('costs something, and is rated on scales of five', () => {
    expect(family.pricePerKgUsd.low).toBeGreaterThan(0);
    for (const rate of [family.printEase1to5, family.warpTendency1to5]) {
      expect(rate).toBeGreaterThanOrEqual(1);
      expect(rate).toBeLessThanOrEqual(5);
    }
  });
  test('says something of itself, in a sentence', () => expect(family.notes).toMatch(/\.$/));
});

describe.each(each(models))('%s as a part', (_id, family) => {
  test('is no stronger across its layers than along them, and no stiffer', () => {
    expect(rising(family.zToXyStrengthRatio)).toBe(true);
    expect(family.zToXyStrengthRatio.low).toBeGreaterThan(0);
    expect(family.zToXyStrengthRatio.high).toBeLessThanOrEqual(1.05);
    expect(family.zToXyModulusRatio).toBeGreaterThan(0.3);
    expect(family.zToXyModulusRatio).toBeLessThanOrEqual(1.05);
  });
  test('stretches by no more than it breaks at before it yields', () => {
    if (family.elongationYieldPct !== null)
      expect(family.elongationYieldPct).toBeLessThanOrEqual(family.elongationBreakPct.high);
  });
  test('has a Poisson ratio of an isotropic solid, at most that of a rubber', () => {
    expect(family.poisson).toBeGreaterThanOrEqual(0.3);
    expect(family.poisson).toBeLessThan(0.5);
  });
  test('is stronger pressed than pulled, and weaker sheared', () => {
    expect(family.compressiveToTensileStrengthRatio).toBeGreaterThanOrEqual(0.8);
    expect(family.shearToTensileStrengthRatio).toBeLessThanOrEqual(1);
    expect(family.shearToTensileStrengthRatio).toBeGreaterThan(0.3);
  });
  test('is no tougher at −30 °C than at room temperature', () => {
    const { charpyNotched23KjPerM2: warm, charpyNotchedMinus30KjPerM2: cold } = family;
    if (warm !== null && cold !== null) expect(cold).toBeLessThanOrEqual(warm.high);
  });
  test('keeps a share of its stiffness and strength when damp, never gains more than a little', () => {
    for (const kept of [family.modulusRetentionConditioned, family.strengthRetentionConditioned]) {
      expect(kept).toBeGreaterThan(0.2);
      expect(kept).toBeLessThanOrEqual(1.05);
    }
    expect(family.impactFactorConditioned).toBeGreaterThanOrEqual(1);
  });
  test('takes up no more water in damp air than lying in it, and swells no more than it takes up', () => {
    if (family.waterSaturationPct !== null)
      expect(family.waterAt23C50RhPct).toBeLessThanOrEqual(family.waterSaturationPct);
    expect(family.sorptionHalfTime2mmH).toBeGreaterThan(0);
  });
  test('creeps, and faster when warm', () => {
    expect(family.creep.a).toBeGreaterThan(0);
    expect(share(family.creep.n)).toBe(true);
    expect(family.creep.activationKjPerMol).toBeGreaterThan(0);
  });
  test('tires: less is left after ten million times than after a million', () => {
    expect(share(family.fatigueFraction1e6)).toBe(true);
    expect(family.fatigueFraction1e7).toBeLessThanOrEqual(family.fatigueFraction1e6);
    expect(family.staticFatigueLossPerDecade).toBeGreaterThan(0);
    expect(family.staticFatigueLossPerDecade).toBeLessThan(0.25);
  });
  test('lasts below where it softens or melts', () => {
    const softens =
      family.morphology === 'amorphous' ? family.glassTransitionC : (family.meltingC ?? family.glassTransitionC + 100);
    expect(family.continuousServiceC).toBeLessThanOrEqual(softens);
    // Some are brittle wherever they may be used, but none where it is soft.
    expect(family.brittleBelowC).toBeLessThan(softens);
  });
  test('conducts heat like a polymer, expands more than a metal', () => {
    expect(family.thermalConductivityWPerMK).toBeGreaterThan(0.08);
    expect(family.thermalConductivityWPerMK).toBeLessThan(0.6);
    expect(family.thermalExpansion1e6PerK).toBeGreaterThan(30);
    expect(family.thermalExpansion1e6PerK).toBeLessThan(300);
    expect(family.specificHeatJPerGK).toBeGreaterThan(0.8);
    expect(family.specificHeatJPerGK).toBeLessThan(2.6);
  });
  test('burns in some share of oxygen', () => {
    expect(family.oxygenIndexPct).toBeGreaterThan(14);
    expect(family.oxygenIndexPct).toBeLessThanOrEqual(60);
  });
});

test('amorphous ones have no melting point that a part is used near, and heat bends them below their glass transition', () => {
  const amorphous = models.filter(({ morphology }) => morphology === 'amorphous');
  expect(amorphous.length).toBeGreaterThan(5);
  for (const { hdt045C, glassTransitionC } of amorphous)
    if (hdt045C !== null) expect(hdt045C).toBeLessThanOrEqual(glassTransitionC + 15);
});
test('a family that nobody knows is not one of these', () => expect(findFamily('unobtainium')).toBeUndefined());

describe.each(reinforcements.map((one) => [one.id, one] as const))('filled with %s', (_id, one) => {
  test('every factor is a factor: above nothing, and within ten times', () => {
    for (const effects of Object.values(one.effects))
      for (const [name, value] of Object.entries(effects) as [string, number][]) {
        if (/Delta/.test(name)) expect(Math.abs(value)).toBeLessThan(150);
        else {
          expect(value).toBeGreaterThan(0);
          expect(value).toBeLessThan(10);
        }
      }
  });
  test('a fibre stiffens along the layers more than across them', () => {
    if (!/fibre/i.test(one.kind)) return;
    for (const { modulusXy, zModulus } of Object.values(one.effects))
      expect(modulusXy).toBeGreaterThanOrEqual(zModulus);
  });
  test('what grinds a nozzle away asks for a wider one than the smallest', () => {
    expect(one.recommendedNozzleMm).toBeGreaterThanOrEqual(one.minimumNozzleMm);
    expect(one.minimumNozzleMm).toBeGreaterThanOrEqual(0.1);
    expect(one.priceFactor).toBeGreaterThan(0);
  });
  test('carbon is no promise of a range: it has to be measured', () => {
    if (/carbon/.test(one.id) && one.electrostaticControl)
      expect(one.electrostaticControl.mustBeMeasured || !one.electrostaticControl.mayBeReliedOn).toBe(true);
  });
});

test('a family that the filler table does not name behaves like an amorphous one, and no filler is none', () => {
  expect(matrixKindOf('unobtainium')).toEqual({ mechanical: 'amorphousOrPla', thermal: 'amorphousOrPla' });
  expect(findReinforcement(null)).toBeUndefined();
  expect(findReinforcement('unobtainium')).toBeUndefined();
});

test('usual surroundings give a reason each, and no peak below what is steady', () => {
  expect(new Set(surroundings.map(({ id }) => id)).size).toBe(surroundings.length);
  for (const { heat, reasoning } of surroundings) {
    expect(inWords(reasoning).length).toBeGreaterThan(30);
    if (heat.peak && heat.steadyC !== undefined) expect(heat.peak.temperatureC).toBeGreaterThan(heat.steadyC);
    if (heat.coldestC !== undefined && heat.steadyC !== undefined) expect(heat.coldestC).toBeLessThan(heat.steadyC);
  }
});
