/** The thread’s entry: piscina calls what a module has as its default. */
export { runTask as default } from './tasks.ts';
