import type { ServiceFinding, ServiceMeasures } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core/foundations';

export const STATE_WORDS: Record<ServiceFinding['state'], { mark: string; word: string; look: string }> = {
  sound: { mark: '✓', word: 'Sound', look: 'text-pass' },
  changed: { mark: '!', word: 'Changed, still in use', look: 'text-unknown' },
  failed: { mark: '✕', word: 'Failed', look: 'text-fail' },
};

/** What can be measured of a part in service, in the order asked. */
export const MEASURES: readonly {
  id: keyof ServiceMeasures;
  title: string;
  dimension: Dimension;
  modes?: readonly string[];
}[] = [
  { id: 'movedMm', title: 'Distortion', dimension: 'length', modes: ['sagged'] },
  { id: 'heldN', title: 'Retained force', dimension: 'force', modes: ['lost-hold'] },
  {
    id: 'crackMm',
    title: 'Length of the crack',
    dimension: 'length',
    modes: ['fatigue-crack', 'crazed', 'layers-parted'],
  },
  { id: 'bowMm', title: 'Deflection at mid-span', dimension: 'length', modes: ['buckled'] },
  { id: 'wornMm', title: 'Wear depth', dimension: 'length', modes: ['worn'] },
  {
    id: 'loadN',
    title: 'Load at failure',
    dimension: 'force',
    modes: ['torn', 'layers-parted', 'buckled'],
  },
  { id: 'cycles', title: 'Load cycles so far', dimension: 'count', modes: ['fatigue-crack'] },
  { id: 'hottestC', title: 'Highest temperature since the last inspection', dimension: 'temperature' },
  { id: 'coldestC', title: 'Lowest temperature since the last inspection', dimension: 'temperature' },
];

export const day = (iso: string) => iso.slice(0, 10);
