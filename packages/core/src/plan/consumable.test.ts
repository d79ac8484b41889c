import type { Machine } from '@anvilstone/schema';
import { sampleLibrary } from '../sample/index.ts';
import { breakEvenUses, costPerUse } from './consumable.ts';
import { goodPartCost } from './goodPartCost.ts';

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
  const grade = sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!;
  const open: Machine = sampleLibrary.machines.find(({ id }) => id === 'workshop-enclosed')!;
  const closed = { ...open, closedSupply: { pricePerKgUsd: grade.pricePerKgUsd! + 100 } };
  const costOn = (machine: Machine, paid?: { pricePerKgUsd: number; from: string }) =>
    goodPartCost({ massG: 100, printTimeH: 2 }, grade, machine, undefined, paid ? { paid } : {})!;
  test('100 USD/kg dearer: 0.1 kg with purge, over the share that succeeds', () => {
    const dearer = costOn(closed).totalUsd - costOn(open).totalUsd;
    expect(costOn(closed).closedExtraUsd).toBeCloseTo(dearer, 9);
    expect(dearer).toBeGreaterThan(10);
    expect(costOn(open).closedExtraUsd).toBeNull();
  });
  test('what was paid for a spool counts before the list, never before a closed supply', () => {
    const paid = { pricePerKgUsd: 10, from: 'paid for S-01' };
    const filament = (cost: ReturnType<typeof costOn>) => cost.components.find(({ id }) => id === 'filament')!;
    expect(filament(costOn(open, paid)).how).toMatch(/10 USD\/kg \(paid for S-01\)/);
    expect(filament(costOn(closed, paid)).usd).toBe(filament(costOn(closed)).usd);
  });
});
