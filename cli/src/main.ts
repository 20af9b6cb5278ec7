import { runCommand } from './run.ts';

const answer = runCommand(process.argv.slice(2));
if ('error' in answer) process.stderr.write(`${answer.error}\n`);
else process.stdout.write(answer.text);
process.exitCode = answer.code;
