// A thread does not inherit the loader of TypeScript: it is registered here, before the thread's own code.
import { register } from 'tsx/esm/api';

register();
const tasks = await import('./tasks.ts');
export const { ask, checkFile, drawing, plan, print, readDrawing, stations } = tasks;
