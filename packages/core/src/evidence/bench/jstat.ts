// @ts-expect-error -- the package has no types; what is used of it is stated below
import untyped from 'jstat';

interface Jstat {
  normal: { cdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number };
  studentt: { cdf(x: number, dof: number): number; inv(p: number, dof: number): number };
  /** Natural logarithm of the gamma function. */
  gammaln(x: number): number;
}

export const { jStat } = untyped as { jStat: Jstat };
