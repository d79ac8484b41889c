import type { ServiceFinding, ServiceMeasures } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core';

export const STATE_WORDS: Record<ServiceFinding['state'], { mark: string; word: string; look: string }> = {
  sound: { mark: '✓', word: 'Sound', look: 'text-pass' },
  changed: { mark: '!', word: 'Changed, still at work', look: 'text-unknown' },
  failed: { mark: '✕', word: 'Failed', look: 'text-fail' },
};

/** What can be measured of a part in service, in the order asked. */
export const MEASURES: readonly {
  id: keyof ServiceMeasures;
  title: string;
  dimension: Dimension;
  modes?: readonly string[];
}[] = [
  { id: 'movedMm', title: 'Out of its shape', dimension: 'length', modes: ['sagged'] },
  { id: 'heldN', title: 'Force still held', dimension: 'force', modes: ['lost-hold'] },
  {
    id: 'crackMm',
    title: 'Length of the crack',
    dimension: 'length',
    modes: ['fatigue-crack', 'crazed', 'layers-parted'],
  },
  { id: 'bowMm', title: 'Bow at the middle', dimension: 'length', modes: ['buckled'] },
  { id: 'wornMm', title: 'Worn off', dimension: 'length', modes: ['worn'] },
  {
    id: 'loadN',
    title: 'Load under which it gave out',
    dimension: 'force',
    modes: ['torn', 'layers-parted', 'buckled'],
  },
  { id: 'cycles', title: 'Times that the load has come', dimension: 'count', modes: ['fatigue-crack'] },
  { id: 'hottestC', title: 'Hottest seen since the last look', dimension: 'temperature' },
  { id: 'coldestC', title: 'Coldest seen since the last look', dimension: 'temperature' },
];

export const day = (iso: string) => iso.slice(0, 10);
