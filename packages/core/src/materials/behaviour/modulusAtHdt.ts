import { requirePositive } from '@anvilstone/core/foundations';

/**
 * Modulus at the heat deflection temperature, MPa. ISO 75 ends when the bending strain has grown by 0.2 %, so the test
 * is a point on the modulus curve: 1/E(HDT) = 1/E23 + 0.002/σ.
 * Source: ISO 75-1:2020 (flexural strain increase 0.2 %). Range: rigid plastics; σ is 0.45, 1.80 or 8.0 MPa.
 * @throws InputError (field, value, what is accepted): modulus or stress not finite and above 0
 */
export function modulusAtHdtMPa(input: { modulus23MPa: number; hdtStressMPa: number }): number {
  requirePositive(input, ['modulus23MPa', 'hdtStressMPa']);
  return 1 / (1 / input.modulus23MPa + 0.002 / input.hdtStressMPa);
}
