import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { startThrowawayCluster } from './postgres.mjs';

/** The built product on a throwaway database with the demo, on a day of its own. */
export async function startDemoServer(root, today) {
  const cluster = await startThrowawayCluster();
  const server = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: cluster.url('postgres'),
      MAPSTEP_DEMO: '1',
      MAPSTEP_DEMO_FILE: join(root, 'demo/tarn-street.json'),
      MAPSTEP_PAGES: join(root, 'web/dist'),
      MAPSTEP_TODAY: today,
      NODE_ENV: 'production',
      PORT: '0',
    },
  });
  const address = await new Promise((resolve, reject) => {
    server.stdout.on('data', data => {
      const found = /http:\/\/\S+/.exec(String(data));
      if (found) resolve(found[0]);
    });
    server.once('exit', () => reject(new Error('the server ended before it listened')));
  });
  const stop = async () => {
    server.kill('SIGTERM');
    await new Promise(resolve => server.once('exit', resolve));
    cluster.remove();
  };
  return { address, stop };
}
