// Which folder may import which: from this table the rules of the linter are made (`npm run fences`), so that no folder is
// forgotten. A name stands for the folder beside it; what is not named may not be imported.
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

export const FENCES = {
  'core/src': {
    model: '',
    timing: 'model',
    steps: 'model timing',
    floor: 'model timing steps',
    couple: 'model timing steps floor',
    history: 'model',
    memory: 'model',
    interchange: 'model timing steps floor couple',
    library: 'model timing steps floor couple history interchange',
    likeness: 'model timing steps floor couple library',
    sequences: 'model timing steps floor couple interchange library',
    plan: 'model steps library likeness',
    class: 'model library plan memory',
    evening: 'model timing steps library likeness memory plan class',
    recap: 'model timing steps floor couple interchange library likeness sequences plan class evening check',
    proofread: 'model timing steps floor couple library',
    check: 'model library plan class',
    programme: 'model steps couple likeness library plan class evening check',
  },
  'server/src': {
    faults: '',
    bounds: '',
    db: 'faults',
    compute: 'faults bounds db',
    jobs: 'faults db',
    aggregates: 'faults db compute',
    http: 'faults bounds db compute',
    features: 'faults bounds db compute jobs aggregates http',
  },
  'server/src/features': {
    health: '',
    jobs: '',
    students: '',
    studio: '',
    session: 'studio',
    setup: 'studio',
    courses: 'studio',
    live: 'session',
    share: 'studio',
    figures: 'courses studio',
    sections: 'courses figures students studio',
    checks: 'sections studio',
    combinations: '',
    programme: 'courses figures sections students studio',
    accounts: 'session setup studio',
  },
  'web/src': {
    theme: '',
    api: '',
    ui: 'theme api',
    workers: 'ui',
    features: 'api ui workers',
    app: 'api features theme ui',
  },
  'web/src/features': {
    session: '',
    share: '',
    studio: '',
    history: 'studio',
    shell: 'session studio',
    course: 'history session shell studio',
    lesson: 'combine course studio',
    recap: 'combine course history',
    map: 'course history',
    material: 'combine course history',
    palette: 'course studio',
    check: 'combine course history studio',
    combine: 'course history studio',
    files: 'course shell studio',
    'next-term': 'course session shell studio',
    setup: 'course history session shell studio',
    'course-settings': 'course history map setup',
    classes: 'course history session setup shell studio',
    people: 'course session setup shell studio',
    programme: 'course session setup shell studio',
  },
  'web/src/features/map': { plan: '', board: 'plan', planner: 'plan' },
  'web/src/features/material': { figure: '', sheet: 'figure', library: 'figure' },
  'web/src/features/recap': { editor: '' },
};

/** What a package may not reach outside of itself. */
const OUTSIDE = {
  core: ['node:*', 'react*', '@map-step/*', 'express', 'sequelize', 'pg', '@chakra-ui/*'],
  contract: [
    'node:*',
    '@map-step/server',
    '@map-step/web',
    '@map-step/cli',
    'react*',
    'express',
    'sequelize',
  ],
  cli: ['@map-step/web', '@map-step/server', 'react*', 'express', 'sequelize'],
  server: ['@map-step/web', '@map-step/cli', 'react*', '@chakra-ui/*'],
  web: ['@map-step/server', '@map-step/cli', '**/server/**', 'node:*'],
};

/** The rules of the linter, the wider ones first: the last that fits a file is the one that holds. */
export function fenceRules() {
  const packages = Object.entries(OUTSIDE).map(([name, group]) =>
    ruleOf(`${name}/src`, group, `${name} reaches no farther`),
  );
  const folders = Object.entries(FENCES).flatMap(([root, fences]) =>
    Object.entries(fences).map(([folder, allowed]) =>
      ruleOf(
        `${root}/${folder}`,
        groupOf(root, folder),
        `${folder} may import: ${allowed || 'nothing beside it'}`,
      ),
    ),
  );
  return [...packages, ...folders];
}

/** What a folder may not import: what its package may not, what the folders around it may not, and those beside it. */
function groupOf(root, folder) {
  const parts = root.split('/');
  const name = parts.at(-1);
  const above = FENCES[parts.slice(0, -1).join('/')]
    ? groupOf(parts.slice(0, -1).join('/'), name)
    : OUTSIDE[parts[0]];
  const beside = FENCES[root];
  const allowed = new Set([folder, ...beside[folder].split(' ')]);
  // In the server a feature may be called as a folder outside: those beside it are named from within.
  const near = root === 'server/src/features' ? other => `../${other}/**` : other => `**/${other}/**`;
  const barred = Object.keys(beside)
    .filter(other => !allowed.has(other))
    .map(near);
  return [...above, ...barred];
}

function ruleOf(folder, group, message) {
  const options = { patterns: [{ group, message }] };
  return {
    includes: [`${folder}/**`, '!**/*.test.ts', '!**/*.test.tsx', '!**/test/**'],
    linter: { rules: { style: { noRestrictedImports: { level: 'error', options } } } },
  };
}

const isFence = override => override.linter?.rules?.style?.noRestrictedImports !== undefined;

/** The linter's settings with these rules in them. */
export function withFences(settings) {
  return {
    ...settings,
    overrides: [...settings.overrides.filter(override => !isFence(override)), ...fenceRules()],
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const file = fileURLToPath(new URL('../biome.json', import.meta.url));
  writeFileSync(file, `${JSON.stringify(withFences(JSON.parse(readFileSync(file, 'utf8'))), null, 2)}\n`);
}
