import { GAS_CONSTANT_KJ_PER_MOL_K, ZERO_C_IN_K } from '@anvilstone/core/foundations';
/** The hours that a stated continuous service temperature stands for. */
const AGEING_STATED_H = 20_000;
/** Typical of the loss of strength of thermoplastics in air; class D. */
const ACTIVATION_KJ_PER_MOL = 100;
/** The law is not carried further than this, h: shorter, softening decides; longer, nobody has looked. */
const RANGE_H = [100, 200_000] as const;

/**
 * The temperature that air ages a polymer as far in `hours` as the continuous service temperature does in 20 000 h, °C (Arrhenius,
 * 100 kJ/mol, as in UL 746B and ISO 2578). `hours` outside of 100 … 200 000 h count as the nearest end. Class D.
 */
export function ageingLimitC(continuousServiceC: number, hours: number): number {
  const within = Math.min(RANGE_H[1], Math.max(RANGE_H[0], hours));
  const perK =
    1 / (continuousServiceC + ZERO_C_IN_K) +
    (GAS_CONSTANT_KJ_PER_MOL_K / ACTIVATION_KJ_PER_MOL) * Math.log(within / AGEING_STATED_H);
  return 1 / perK - ZERO_C_IN_K;
}
