import { initial } from './0001-initial.ts';
import { gradeLibrary } from './0002-grade-library.ts';
import { surroundings } from './0003-surroundings.ts';
import { savedViews } from './0004-saved-views.ts';
import { stock } from './0005-stock.ts';
import { bench } from './0006-bench.ts';
import { records } from './0007-records.ts';
import { service } from './0008-service.ts';
import { search } from './0009-search.ts';
import { stages } from './0010-stages.ts';
import { changes } from './0011-changes.ts';
import { jobs } from './0012-jobs.ts';
import { restoring } from './0013-restoring.ts';
import type { NamedMigration } from './migration.ts';

/** In order; never edit one that has been released, add the next. */
export const migrations: readonly NamedMigration[] = [
  initial,
  gradeLibrary,
  surroundings,
  savedViews,
  stock,
  bench,
  records,
  service,
  search,
  stages,
  changes,
  jobs,
  restoring,
];
