import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { FENCES, fenceRules, withFences } from './fences.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const barredIn = (folder: string) =>
  fenceRules().find(({ includes }) => includes[0] === `${folder}/**`)?.linter.rules.style.noRestrictedImports
    .options.patterns[0]?.group ?? [];

test.each(Object.keys(FENCES))(
  'every folder of %s stands in the table, and none that is not there',
  place => {
    const folders = readdirSync(join(root, place)).filter(
      name => statSync(join(root, place, name)).isDirectory() && name !== 'test',
    );
    expect(Object.keys(FENCES[place] ?? {}).sort()).toEqual(folders.sort());
  },
);

test('each name in the table is a folder of its place', () => {
  for (const fences of Object.values(FENCES))
    for (const allowed of Object.values(fences))
      for (const name of allowed.split(' ').filter(Boolean)) expect(Object.keys(fences)).toContain(name);
});

test('the linter has the rules of the table: npm run fences writes them', () => {
  const settings: unknown = JSON.parse(readFileSync(join(root, 'biome.json'), 'utf8'));
  expect(settings).toEqual(withFences(settings));
});

test.each([
  ['core/src/model', '**/recap/**'],
  ['core/src/history', '**/plan/**'],
  ['server/src/features/share', '../sections/**'],
  ['server/src/http', '**/features/**'],
  ['web/src/features/map/board', '**/check/**'],
  ['web/src/features/map/board', '**/planner/**'],
  ['web/src/features/recap/editor', 'node:*'],
])('%s may not import %s', (folder, barred) => {
  expect(barredIn(folder)).toContain(barred);
});
