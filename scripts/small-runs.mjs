// What is documented beside the product itself, each tried with little of everything: that it runs, not how fast.
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { startDemoServer } from './demo-server.mjs';

const AT_ONCE = 2;
const TODAY = '2026-03-09';

/** Tries each; answers which failed, and what they printed. */
export async function runSmall(root) {
  const folder = join(root, '.tmp/small');
  mkdirSync(folder, { recursive: true });
  const tsx = ['--import', 'tsx'];
  const bench = (...args) => [...tsx, 'scripts/bench/main.ts', ...args];
  const planned = [...tsx, 'cli/src/main.ts', 'plan', 'demo/tarn-street.json', 'balboa-1', '--work', '1000'];
  const answer = JSON.parse(spawnSync(process.execPath, planned, { cwd: root, encoding: 'utf8' }).stdout);
  const problem = { best: answer.cost.total, problem: answer.problem };
  writeFileSync(join(folder, 'n20T6.json'), JSON.stringify(problem));
  const runs = [
    ['scripts/faults/main.mjs', '1'],
    ['scripts/shots.mjs'],
    bench('map'),
    bench('library'),
    bench('streams', '2', '1', '1'),
    bench('sheet'),
    bench('check'),
    bench('mend', folder),
    bench('plan', folder, '1'),
    bench('ready'),
    bench('sequences'),
  ];
  const server = await startDemoServer(root, TODAY);
  const env = { ...process.env, MAPSTEP_SMALL: '1', MAPSTEP_SHARED_DEMO: server.address };
  const failures = [];
  const work = async () => {
    for (let run = runs.shift(); run; run = runs.shift()) failures.push(...(await tried(root, run, env)));
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  await server.stop();
  return failures;
}

/** What one printed, where it did not end well. */
function tried(root, args, env) {
  const child = spawn(process.execPath, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] });
  const printed = [];
  for (const stream of [child.stdout, child.stderr]) stream.on('data', text => printed.push(text));
  return new Promise(resolve => {
    child.once('close', code =>
      resolve(code === 0 ? [] : [`${args.join(' ')} ended with ${code}:\n${printed.join('')}`]),
    );
  });
}
