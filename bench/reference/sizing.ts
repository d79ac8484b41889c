/** Sizing by trying: the part is drawn a little larger each time, and evaluated anew, until it passes. */
import { evaluate } from '@anvilstone/core/evaluation';
import type { Brief, Grade, Library } from '@anvilstone/schema';

/** Smallest size of those tried that passes in any build orientation, mm; undefined: none does. Each is 1 % larger than the one before. */
export function sizeByTrying(
  withSize: (sizeMm: number) => Brief['part'],
  drawnMm: number,
  brief: Brief,
  library: Library,
  grade: Grade,
): number | undefined {
  for (let size = drawnMm / 5; size <= drawnMm * 5; size *= 1.01) {
    const { grades } = evaluate({ ...brief, part: withSize(size) }, { ...library, grades: [grade] });
    if (grades[0]!.best.status === 'pass') return size;
  }
  return undefined;
}
