// Builds the pages (Vite) and the server (esbuild), unless what is built is already of these sources.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { giveUp, say } from './say.mjs';

const SOURCES = ['core/src', 'contract/src', 'server/src', 'web', 'package-lock.json'];
const SKIPPED = new Set(['dist', 'node_modules']);

export async function ensureBuilt(root) {
  const stamp = join(root, 'web', 'dist', '.sources');
  const hash = createHash('sha256');
  for (const source of SOURCES) hashSources(join(root, source), hash);
  const sources = hash.digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === sources) return;
  say('Building …');
  const vite = spawnSync(
    process.execPath,
    [join(root, 'node_modules/vite/bin/vite.js'), 'build', '--logLevel', 'warn'],
    {
      cwd: join(root, 'web'),
      encoding: 'utf8',
      env: { ...process.env, VITE_BUILD: sources },
    },
  );
  if (vite.status !== 0) giveUp(`The pages could not be built:\n${vite.stdout}${vite.stderr}`);
  await buildServer(root);
  writeFileSync(stamp, sources);
}

export async function buildServer(root) {
  const { build } = await import('esbuild');
  const inlineOwnPackages = {
    name: 'inline-own-packages',
    setup(bundle) {
      bundle.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
        kind === 'entry-point' || path.startsWith('@map-step/') ? undefined : { path, external: true },
      );
    },
  };
  rmSync(join(root, 'server/dist'), { recursive: true, force: true });
  await build({
    entryPoints: ['main', 'job-thread', 'compute-thread'].map(name => join(root, `server/src/${name}.ts`)),
    outdir: join(root, 'server/dist'),
    entryNames: '[name]',
    bundle: true,
    splitting: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    logLevel: 'warning',
    plugins: [inlineOwnPackages],
  });
}

function hashSources(path, hash) {
  if (!statSync(path).isDirectory()) {
    hash.update(path).update(readFileSync(path));
    return;
  }
  for (const name of readdirSync(path).sort()) if (!SKIPPED.has(name)) hashSources(join(path, name), hash);
}

if (process.argv[1] === fileURLToPath(import.meta.url))
  await ensureBuilt(fileURLToPath(new URL('..', import.meta.url)));
