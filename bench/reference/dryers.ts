/** A dryer plan as one makes it by hand: the most urgent spool first, one after the other, wherever there is room first. */
export interface PlainSpool {
  id: string;
  dryingC: number;
  limitC: number;
  hours: number;
  needByH: number;
}
export interface PlainDryer {
  id: string;
  slots: number;
  maximumC: number;
}

/** Hours that spools are late, altogether. Each run holds what may be dried at one temperature, as many as there are slots. */
export function planByHand(spools: readonly PlainSpool[], dryers: readonly PlainDryer[]): number {
  const runs = dryers.map(
    () => [] as { fromH: number; toH: number; atC: number; lowestLimitC: number; count: number }[],
  );
  let lateH = 0;
  for (const spool of [...spools].sort((a, b) => a.needByH - b.needByH)) {
    let best: { dryer: number; run: number | undefined; endH: number } | undefined;
    dryers.forEach((dryer, index) => {
      if (dryer.maximumC < spool.dryingC) return;
      runs[index]!.forEach((run, i) => {
        const atC = Math.max(run.atC, spool.dryingC);
        const fits =
          run.count < dryer.slots &&
          atC <= Math.min(run.lowestLimitC, spool.limitC) &&
          run.toH - run.fromH >= spool.hours;
        if (fits && (!best || run.toH < best.endH)) best = { dryer: index, run: i, endH: run.toH };
      });
      const freeH = runs[index]!.at(-1)?.toH ?? 0;
      if (!best || freeH + spool.hours < best.endH) best = { dryer: index, run: undefined, endH: freeH + spool.hours };
    });
    if (!best) continue;
    const own = runs[best.dryer]!;
    const run = best.run === undefined ? undefined : own[best.run];
    if (run) {
      run.count += 1;
      run.atC = Math.max(run.atC, spool.dryingC);
      run.lowestLimitC = Math.min(run.lowestLimitC, spool.limitC);
    } else
      own.push({
        fromH: best.endH - spool.hours,
        toH: best.endH,
        atC: spool.dryingC,
        lowestLimitC: spool.limitC,
        count: 1,
      });
    lateH += Math.max(0, best.endH - spool.needByH);
  }
  return lateH;
}
