// People who each send one request a second, and how long each kind took. They share the machine with the server,
// so they do as little as a browser must: answers stay packed unless something is to be remembered.
import { Agent, request } from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';
import { gunzipSync } from 'node:zlib';
import { ROUTES } from '@map-step/contract';
import {
  ACTIONS,
  type Action,
  addressOf,
  type Call,
  isRemembered,
  type Memory,
  pickAction,
  remember,
} from './actions.ts';
import type { StudioSize } from './big-studio.ts';
import { clock, watchStolenTime } from './stolen-time.ts';

/** The milliseconds that each kind of request took. */
type Times = ReadonlyMap<string, readonly number[]>;

export interface Timed {
  readonly all: Times;
  /** Without what was disturbed. */
  readonly quiet: Times;
  /** How much of the run the machine was left alone. */
  readonly quietShare: number;
}

/** Notes how long things take, and sets apart what was disturbed. */
export class StopWatch {
  private readonly stolen = watchStolenTime();
  private readonly taken: { readonly name: string; readonly begun: number; readonly ended: number }[] = [];

  note(name: string, begun: number): void {
    this.taken.push({ name, begun, ended: clock() });
  }

  stop(): Timed {
    const { isQuiet, quietShare } = this.stolen.stop();
    const quiet = this.taken.filter(({ begun, ended }) => isQuiet(begun, ended));
    return { all: timesOf(this.taken), quiet: timesOf(quiet), quietShare };
  }
}

function timesOf(taken: readonly { name: string; begun: number; ended: number }[]): Times {
  const times = new Map<string, number[]>();
  for (const { name, begun, ended } of taken) {
    const own = times.get(name) ?? [];
    times.set(name, own);
    own.push(ended - begun);
  }
  return times;
}

const PEOPLE = 50;
const DIRECTOR = 'person-0';

export interface Browser {
  readonly cookie: string;
  readonly csrf: string;
  readonly memory: Memory;
}

/** Runs the mix for so many seconds; answers how long each kind took and what was refused. */
export async function runLoad(
  address: string,
  size: StudioSize,
  seconds: number,
): Promise<Timed & { refused: string[] }> {
  const refused: string[] = [];
  const browsers: Browser[] = [];
  for (let person = 0; person < PEOPLE; person += 1) {
    const browser = await signIn(address);
    browsers.push(browser);
    for (const action of ACTIONS.filter(({ isFirst }) => isFirst)) await act(address, browser, action, size);
  }
  const watch = new StopWatch();
  const end = Date.now() + seconds * 1000;
  await Promise.all(browsers.map((browser, index) => goOn(browser, index)));
  return { ...watch.stop(), refused };

  async function goOn(browser: Browser, index: number): Promise<void> {
    let next = Date.now() + (1000 * index) / PEOPLE;
    while (next < end) {
      await wait(Math.max(0, next - Date.now()));
      next += 1000;
      const action = pickAction();
      const begun = clock();
      const { refusal } = await act(address, browser, action, size);
      watch.note(action.name, begun);
      if (refusal) refused.push(refusal);
    }
  }
}

/** Does one thing as a browser does it. */
export async function act(
  address: string,
  browser: Browser,
  { name, call: make }: Action,
  size: StudioSize,
): Promise<{ refusal?: string; call: Call }> {
  const call = make(size, browser.memory);
  const reply = await ask(address + addressOf(call), ROUTES[call.route].method, browser, call.body);
  if (reply.status >= 400) return { call, refusal: `${name}: ${reply.status} ${reply.text()}` };
  if (isRemembered(call)) remember(call, reply.text(), browser.memory);
  return { call };
}

const agent = new Agent({ keepAlive: true });

interface Reply {
  readonly status: number;
  /** As they came over the wire, without headers. */
  readonly bytes: number;
  text(): string;
}

/** Sends a request as a browser does; resolves with the last byte of the answer. */
export function ask(url: string, method: string, { cookie, csrf }: Browser, body: unknown): Promise<Reply> {
  const headers = {
    cookie,
    'x-csrf-token': csrf,
    'content-type': 'application/json',
    'accept-encoding': 'gzip',
  };
  return new Promise((resolve, reject) => {
    const sent = request(url, { method, headers, agent }, answer => {
      const parts: Buffer[] = [];
      answer.on('data', (part: Buffer) => parts.push(part));
      answer.on('error', reject);
      answer.on('end', () => {
        const whole = Buffer.concat(parts);
        const isPacked = answer.headers['content-encoding'] === 'gzip';
        resolve({
          status: answer.statusCode ?? 0,
          bytes: whole.length,
          text: () => (isPacked ? gunzipSync(whole) : whole).toString('utf8'),
        });
      });
    });
    sent.on('error', reject);
    sent.end(body === undefined ? undefined : JSON.stringify(body));
  });
}

/** A value that so many per cent of the times do not pass; 0 of none. */
export function percentile(times: readonly number[], percent: number): number {
  const sorted = [...times].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor((sorted.length * percent) / 100))] ?? 0;
}

export async function signIn(address: string, person = DIRECTOR): Promise<Browser> {
  const reply = await fetch(`${address}/api/session/demo`, {
    method: 'POST',
    headers: { 'x-csrf-token': 'none', 'content-type': 'application/json' },
    body: JSON.stringify({ person }),
  });
  const { csrf } = (await reply.json()) as { csrf: string };
  const cookie = reply.headers.get('set-cookie')?.split(';')[0] ?? '';
  return { cookie, csrf, memory: { stamps: new Map(), courses: new Map() } };
}
