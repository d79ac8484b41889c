/** The thread’s entry where the server is built into a few files; worker.mjs is the one for its sources. */
export { runTask as default } from './tasks.ts';
