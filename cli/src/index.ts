export { runCommand } from './run.ts';
