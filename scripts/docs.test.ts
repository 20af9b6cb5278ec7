import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';

const root = fileURLToPath(new URL('..', import.meta.url));
const tracked = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { cwd: root })
  .toString()
  .split('\n');
const pages = tracked.filter(path => path === 'README.md' || /^docs\/[\w-]+\.md$/.test(path));

/** Files and pictures as pages name them: in backticks, or behind a link. */
function namedIn(page: string): string[] {
  const text = readFileSync(`${root}${page}`, 'utf8');
  const inTicks = [...text.matchAll(/`([\w@./-]+\.(?:tsx?|mjs|md|json))`/g)].map(([, path]) => path ?? '');
  const behindLinks = [...text.matchAll(/\]\(([\w./-]+)\)/g)].map(([, path]) => path ?? '');
  return [...inTicks, ...behindLinks].filter(path => !path.includes('FILE'));
}

test.each(pages)('every file that %s names is there', page => {
  const missing = namedIn(page).filter(
    path => !tracked.some(file => file === path || file.endsWith(`/${path.replace(/^\.\//, '')}`)),
  );
  expect(missing).toEqual([]);
});
