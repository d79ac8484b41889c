import { spellOut } from '@anvilstone/core/foundations';
import type { Machine } from '@anvilstone/schema';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { breakEvenUses, costPerUse } from './consumable.ts';
import { machineChoices } from './machineChoices.ts';

describe('a consumable', () => {
  test('cheap and short-lived beats dear and long-lived: 2.40 USD a 30 uses against 14.60 a 120, changing for 0.60', () => {
    const cheap = { partUsd: 2.4, changeOverUsd: 0.6, uses: 30 };
    const dear = { partUsd: 14.4, changeOverUsd: 0.6, uses: 120 };
    expect(costPerUse(cheap)).toBeCloseTo(0.1, 12);
    expect(costPerUse(dear)).toBeCloseTo(0.125, 12);
    // (14.4 + 0.6) / 0.10 = 150 uses, and at that life a use costs the same.
    expect(breakEvenUses(dear, cheap)).toBeCloseTo(150, 9);
    expect(costPerUse({ ...dear, uses: breakEvenUses(dear, cheap) })).toBeCloseTo(costPerUse(cheap), 12);
  });
  test('changing over dear enough turns it round', () => {
    const cheap = { partUsd: 2.4, changeOverUsd: 6, uses: 30 };
    const dear = { partUsd: 14.4, changeOverUsd: 6, uses: 120 };
    expect(costPerUse(dear)).toBeLessThan(costPerUse(cheap));
    expect(breakEvenUses(dear, { partUsd: 0, changeOverUsd: 0, uses: 1 })).toBe(Infinity);
    expect(() => costPerUse({ ...cheap, uses: 0 })).toThrow(/uses/);
  });
});
describe('closed supply', () => {
  const open: Machine = sampleLibrary.machines.find(({ id }) => id === 'workshop-enclosed')!;
  const grade = sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!;
  const closed = { ...open, closedSupply: { pricePerKgUsd: grade.pricePerKgUsd! + 100 } };
  const on = (machine: Machine) =>
    machineChoices(lampArm, { ...sampleLibrary, machines: [machine] }, grade.id, 'XZ')![0]!;
  test('100 USD/kg dearer: its filament, over the share that succeeds', () => {
    const { cost, closedExtraUsd, costLines } = on(closed);
    expect(closedExtraUsd).toBeCloseTo(cost!.totalUsd - on(open).cost!.totalUsd, 9);
    expect(closedExtraUsd).toBeCloseTo(((cost!.filamentG / 1000) * 100) / (1 - cost!.scrapShare), 9);
    expect(spellOut(costLines[0]!.how)).toContain('closed supply');
    expect(on(open).closedExtraUsd).toBeNull();
  });
});
