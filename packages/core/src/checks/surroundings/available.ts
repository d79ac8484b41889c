import { formatNumber as f } from '@anvilstone/core/foundations';
import type { Check } from '../engine/check.ts';
import { judged, unknown } from '../engine/outcome.ts';

/** Can the filament be here in time? */
export const available: Check = {
  id: 'available',
  isLimit: true,
  title: 'Availability',
  anyWayUp: true,
  asks: 'Can the filament be delivered in time?',
  words: ['Lead time', 'allowed'],
  applies: ({ brief }) => brief.asks.availableWithinDays !== undefined,
  evaluate({ brief, material: { grade } }) {
    const within = brief.asks.availableWithinDays!;
    if (grade.discontinued) return judged('fail', 'C', 'No longer made');
    if (grade.leadTimeDays === undefined)
      return unknown('d', ['Lead time: not stated for this grade; ask the supplier and add it to the grade']);
    const inTime = grade.leadTimeDays <= within;
    const when = grade.leadTimeDays === 0 ? 'In stock' : `Here in ${f(grade.leadTimeDays)} days`;
    return judged(inTime ? 'pass' : 'fail', 'C', when, { demand: grade.leadTimeDays, capacity: within, unit: 'd' });
  },
};
