import type { EvidenceClass } from '@anvilstone/schema';
import type { Material } from '@anvilstone/core/materials';
import { weakest } from '../engine/outcome.ts';

/** Within this of 23 °C a room-temperature value needs no curve. */
const ROOM_TOLERANCE_K = 5;

/** A value carried along the modulus curve is at best as good as the curve. */
export function evidenceAt(material: Material, base: EvidenceClass, temperatureC: number): EvidenceClass {
  if (Math.abs(temperatureC - 23) <= ROOM_TOLERANCE_K) return base;
  return weakest(base, material.behaviour?.hdtEvidence ?? 'D');
}
