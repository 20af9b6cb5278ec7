// Ten people work while anonymous clients, and a teacher of another studio, send what they should not: how long the ten wait, what the server's memory
// comes to, and whether all that was acknowledged is there. Everything goes to this machine and ends by itself.
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { startThrowawayCluster } from '../postgres.mjs';
import { say } from '../say.mjs';
import { isSmall, orFew } from '../small.mjs';
import { openNeighbour } from './neighbour.mjs';
import { openScene } from './scene.mjs';
import { openClient } from './storm-client.mjs';

const PEOPLE = 10;
const PAUSE_MS = 450;
const QUIET_MS = orFew(5000, 1000);
const LONGEST_READ_MS = 100;
const MOST_MEMORY_MB = 400;
const SAMPLE_MS = 200;

export async function standHostility(root, seconds) {
  const cluster = await startThrowawayCluster({ fast: false });
  const scene = await openScene(root, cluster, {});
  const people = [];
  for (let index = 0; index < PEOPLE; index += 1)
    people.push(await openClient(() => scene.server.address, index % 2 ? 'wrap' : 'gather'));
  const quiet = await work(people, Date.now() + QUIET_MS);
  const insider = await openNeighbour(cluster, scene.secret);
  const attackers = fork(new URL('./attackers.mjs', import.meta.url), [
    scene.server.address,
    String(seconds),
    insider,
  ]);
  const attacks = new Promise(resolve => attackers.once('message', resolve));
  const memory = watchMemory(scene.server.pid);
  const reads = await work(people, Date.now() + seconds * 1000);
  const answers = await attacks;
  const most = memory.stop();
  const failures = await judge({ scene, people, reads, most, answers });
  tell({ seconds, quiet, reads, most, answers });
  await scene.server.stop('SIGTERM');
  cluster.remove();
  return failures;
}

/** Each reads and taps in turn, about once a second; the answer is how long the reads took, in milliseconds. */
async function work(people, end) {
  const reads = [];
  const pause = ms => new Promise(resolve => setTimeout(resolve, ms));
  const person = async (client, index) => {
    await pause((index * 2 * PAUSE_MS) / PEOPLE);
    while (Date.now() < end) {
      const begun = performance.now();
      await client.get('/api/courses/hustle-1');
      reads.push(performance.now() - begun);
      await pause(PAUSE_MS);
      await client.tap();
      await pause(PAUSE_MS);
    }
  };
  await Promise.all(people.map(person));
  return reads.sort((a, b) => a - b);
}

function watchMemory(pid) {
  let most = 0;
  const timer = setInterval(() => {
    const told = /VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
    most = Math.max(most, Number(told?.[1] ?? 0) / 1024);
  }, SAMPLE_MS);
  return {
    stop: () => {
      clearInterval(timer);
      return most;
    },
  };
}

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;

async function judge({ scene, people, reads, most, answers }) {
  const { logs } = await people[0].get('/api/sections/hustle-1-monday');
  const stored = new Map();
  for (const { id } of logs) stored.set(id, (stored.get(id) ?? 0) + 1);
  const taps = people.flatMap(client => client.taps);
  const lost = taps.filter(id => stored.get(id) !== 1);
  say(`hostile: ${taps.length} taps acknowledged, ${lost.length} lost or doubled`);
  const refused = people.flatMap(client => client.refused);
  const odd = Object.keys(answers.statuses).filter(status => Number(status) >= 500 && status !== '503');
  return [
    ...(lost.length ? [`hostile: ${lost.length} taps lost or doubled`] : []),
    ...(refused.length ? [`hostile: ${refused.length} requests of people at work were refused`] : []),
    ...(!isSmall && at(reads, 0.95) >= LONGEST_READ_MS ? ['hostile: people wait too long'] : []),
    ...(!isSmall && most >= MOST_MEMORY_MB ? ['hostile: the server took too much memory'] : []),
    ...(odd.length ? [`hostile: answers of ${odd.join(', ')}`] : []),
    ...(answers.sent === 0 || scene.failures.length ? ['hostile: nothing was sent'] : []),
  ];
}

function tell({ seconds, quiet, reads, most, answers }) {
  const ms = value => `${value.toFixed(1)} ms`;
  say(`hostile: ${answers.sent} requests sent in ${seconds} s, ${answers.held} sockets held open at a time`);
  say(`hostile: answers ${JSON.stringify(answers.statuses)}, hung up on ${answers.hungUp}`);
  say(
    `hostile: reads of ten people, median ${ms(at(reads, 0.5))}, p95 ${ms(at(reads, 0.95))} (aim ${LONGEST_READ_MS} ms)`,
  );
  say(`hostile: before it began, median ${ms(at(quiet, 0.5))}, p95 ${ms(at(quiet, 0.95))}`);
  say(`hostile: the server's memory ${most.toFixed(0)} MB at the most (aim ${MOST_MEMORY_MB} MB)`);
}
