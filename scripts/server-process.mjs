import { spawn } from 'node:child_process';
import { join } from 'node:path';

/** Starts the built server with the demo on a database; `stop` ends it with a signal and waits until it is gone. */
export async function startServerProcess(root, databaseUrl, settings) {
  const child = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      MAPSTEP_DEMO: '1',
      MAPSTEP_DEMO_FILE: join(root, 'demo/tarn-street.json'),
      MAPSTEP_PAGES: join(root, 'web/dist'),
      ...settings,
    },
  });
  const ended = new Promise(resolve => child.once('exit', resolve));
  const address = await new Promise((resolve, reject) => {
    child.stdout.on('data', data => {
      const found = /http:\/\/\S+/.exec(String(data));
      if (found) resolve(found[0]);
    });
    child.once('exit', () => reject(new Error('the server ended before it listened')));
  });
  const stop = async signal => {
    child.kill(signal);
    await ended;
  };
  return { address, stop, pid: child.pid };
}
