// The thread's entry. Loaders do not carry over into threads completely: without its own registration, what a module imports
// later on would not be understood.
import { register } from 'tsx/esm/api';

register();
const { runTask } = await import('./tasks.ts');
export default runTask;
