// `npm run bench -- api [SECONDS] [GROWTH]`: the API on the big studio and on one so many times as big, beside
// the same statements run bare. Prints a table and JSON.
import { ACTIONS } from './actions.ts';
import { runBare } from './bare.ts';
import { DEMO, mostMemory, say, tell, withBigServer } from './big-server.ts';
import { type StudioSize, timesAsBig } from './big-studio.ts';
import { percentile, runLoad, type Timed } from './load.ts';

const WARM_UP_SECONDS = 10;
/** Of what a refusal says. */
const MOST_LETTERS = 200;
interface Measured {
  readonly api: Timed;
  readonly bare: Timed;
  readonly refused: readonly string[];
  readonly memoryMb: number;
  readonly buildSeconds: number;
}

export async function benchApi(seconds: number, growth: number): Promise<void> {
  const big = await measure(timesAsBig(1, DEMO), seconds);
  const huge = growth > 1 ? await measure(timesAsBig(growth, DEMO), seconds) : big;
  const rows = [
    ...ACTIONS.map(({ name }) => row(name, [name], big, huge)),
    row('all reads', namesOf(false), big, huge),
    row('all writes', namesOf(true), big, huge),
  ];
  say(
    `| request | n | p50 ms | p95 ms | p95 ms, disturbed too | same SQL bare, p95 ms | times bare | ${growth} times the data, p50 ms | growth of p50 |`,
  );
  say('|---|---|---|---|---|---|---|---|---|');
  for (const cells of rows) say(`| ${Object.values(cells).join(' | ')} |`);
  for (const [name, { api, bare, memoryMb, buildSeconds, refused }] of Object.entries({ big, huge })) {
    say(`${name}: server ${memoryMb} MB at the most, ${refused.length} refused, built in ${buildSeconds} s`);
    say(`${name}: undisturbed for ${inPercent(api)} of the load, ${inPercent(bare)} of the bare statements`);
  }
  for (const refusal of new Set([...big.refused, ...huge.refused].slice(0, 10)))
    say(refusal.slice(0, MOST_LETTERS));
  say(JSON.stringify({ rows, memoryMb: [big.memoryMb, huge.memoryMb] }));
}

function measure(size: StudioSize, seconds: number): Promise<Measured> {
  return withBigServer(size, async ({ address, pid, databaseUrl, buildSeconds }) => {
    tell(`Measuring for ${seconds} s …`);
    await runLoad(address, size, WARM_UP_SECONDS);
    const { refused, ...api } = await runLoad(address, size, seconds);
    const memoryMb = mostMemory(pid);
    const bare = await runBare(databaseUrl, size, Math.min(seconds, 60));
    return { api, bare, refused, memoryMb, buildSeconds };
  });
}

function row(name: string, names: readonly string[], big: Measured, huge: Measured) {
  const api = timesOf(big.api.quiet, names);
  const bare = timesOf(big.bare.quiet, names);
  const grown = timesOf(huge.api.quiet, names);
  const p95 = percentile(api, 95);
  const bare95 = percentile(bare, 95);
  return {
    name,
    n: api.length,
    p50: percentile(api, 50).toFixed(1),
    p95: p95.toFixed(1),
    disturbed95: percentile(timesOf(big.api.all, names), 95).toFixed(1),
    bare95: bare95.toFixed(1),
    timesBare: (p95 / bare95).toFixed(1),
    grownP50: percentile(grown, 50).toFixed(1),
    growth: (percentile(grown, 50) / percentile(api, 50)).toFixed(2),
  };
}

function timesOf(times: Timed['all'], names: readonly string[]): readonly number[] {
  return names.flatMap(name => times.get(name) ?? []);
}

function inPercent({ quietShare }: Timed): string {
  return `${Math.round(quietShare * 100)} %`;
}

function namesOf(isWrite: boolean): readonly string[] {
  return ACTIONS.filter(action => (action.isWrite ?? false) === isWrite).map(({ name }) => name);
}
