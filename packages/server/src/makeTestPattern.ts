/** Makes the database that browser tests copy theirs from, and prints its name. Run by the tests only. */
import { testPattern } from './testDatabase.ts';

process.stdout.write(await testPattern({ demo: true, records: true }));
