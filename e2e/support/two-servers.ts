// Two servers on one database behind a small proxy, as a studio's browsers would meet them.
import { once } from 'node:events';
import { createServer, type IncomingMessage, request, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { startThrowawayCluster } from '../../scripts/postgres.mjs';
import { startServerProcess } from '../../scripts/server-process.mjs';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

export interface TwoServers {
  /** Of the proxy. */
  readonly address: string;
  /** Ends one of the two as a power cut would. */
  killOne(): Promise<void>;
  close(): Promise<void>;
}

export async function startTwoServers(today: string): Promise<TwoServers> {
  const cluster = await startThrowawayCluster();
  const settings = { MAPSTEP_TODAY: today, NODE_ENV: 'production', PORT: '0' };
  const start = () => startServerProcess(ROOT, cluster.url('postgres'), settings);
  const servers = [await start(), await start()];
  let asked = 0;
  const proxy = createServer(async (incoming, outgoing) => {
    const chunks: Buffer[] = [];
    for await (const chunk of incoming) chunks.push(chunk);
    asked += 1;
    const first = asked % servers.length;
    const inTurn = [...servers.slice(first), ...servers.slice(0, first)].map(({ address }) => address);
    for (const address of inTurn)
      if (await passOn(address, incoming, Buffer.concat(chunks), outgoing)) return;
    outgoing.writeHead(502).end();
  });
  proxy.listen(0, '127.0.0.1');
  await once(proxy, 'listening');
  return {
    address: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}`,
    killOne: async () => servers.shift()?.stop('SIGKILL'),
    close: async () => {
      proxy.closeAllConnections();
      proxy.close();
      for (const server of servers) await server.stop('SIGTERM');
      cluster.remove();
    },
  };
}

/** False when the server did not begin to answer: another one is asked. What breaks off later breaks off here too. */
function passOn(
  address: string,
  { url = '/', method, headers }: IncomingMessage,
  body: Buffer,
  outgoing: ServerResponse,
): Promise<boolean> {
  return new Promise(resolve => {
    const onwards = request(`${address}${url}`, { method, headers }, answer => {
      outgoing.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.on('error', () => outgoing.destroy());
      answer.pipe(outgoing);
      resolve(true);
    });
    onwards.on('error', () => resolve(false));
    outgoing.on('close', () => onwards.destroy());
    onwards.end(body);
  });
}
