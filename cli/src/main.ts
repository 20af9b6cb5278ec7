import { loadSolver } from './load-solver.ts';
import { PLANNING_VERBS, runCommand } from './run.ts';

const words = process.argv.slice(2);
const solver = PLANNING_VERBS.includes(words[0] ?? '') ? await loadSolver() : undefined;
const answer = runCommand(words, solver);
if ('error' in answer) process.stderr.write(`${answer.error}\n`);
else process.stdout.write('bytes' in answer ? answer.bytes : answer.text);
process.exitCode = answer.code;
