// Makes the pictures in docs/screenshots from the demo: `npm run shots`.
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './build.mjs';
import { CHROMIUM, ensureChromium } from './chromium.mjs';
import { startDemoServer } from './demo-server.mjs';
import { ensurePackages } from './packages.mjs';
import { ensurePostgres } from './postgres.mjs';
import { say } from './say.mjs';
import { isSmall } from './small.mjs';

const FOLDER = isSmall ? '.tmp/small' : 'docs/screenshots';
const DESK = { width: 1280, height: 800 };
const TABLET = { width: 820, height: 1180 };
const PHONE = { width: 390, height: 844 };
const DIRECTOR = 'Ottilie Marsh';
const TEACHER = 'Bram Okoro';

const planLevel = async page => {
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).click();
  await page.getByText('No better plan exists.').waitFor();
  await page.getByRole('button', { name: /^Take all/ }).click();
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).waitFor();
  await page.getByText('saved', { exact: true }).waitFor();
  await page.getByRole('button', { name: /^Wrap,/ }).click();
};
const propose = async page => {
  await page.getByRole('button', { name: /^Plan (this level|lessons?)/ }).click();
  await page.getByText('No better plan exists.').waitFor();
};
const findSequence = async page => {
  await page.getByRole('heading', { name: /^Proposed/ }).waitFor();
  for (const name of ['Left turn', 'Leader’s turn', 'Wrap'])
    await page.getByRole('button', { name: `${name}: may be danced`, exact: true }).click();
  await page.getByRole('button', { name: 'Find sequences' }).click();
  await page.getByRole('heading', { name: /^Found/ }).waitFor();
  await page.locator('[data-row="6"]').click();
  await page.getByText('Fits in its place').waitFor();
};
const finalCheck = async page => {
  await page.getByRole('button', { name: 'Make the final check' }).click();
  await page.getByRole('grid').waitFor();
  const marks = '223232122322322233222112322223323222332232233';
  for (const mark of marks) await page.keyboard.press(mark);
  await page.getByText('saved', { exact: true }).waitFor();
};
const runEvening = async page => {
  await page.getByRole('button', { name: 'Start the evening' }).click();
  for (let block = 0; block < 3; block += 1) await page.getByRole('button', { name: 'Next block' }).click();
};

const SHOTS = [
  { file: 'programme', path: '/', who: DIRECTOR },
  { file: 'programme-teacher-dim', path: '/', who: TEACHER, theme: 'dim' },
  { file: 'set-up-dim', path: '/dances/quickstep?part=figures', who: DIRECTOR, theme: 'dim' },
  { file: 'term', path: '/term', who: DIRECTOR },
  { file: 'people', path: '/people', who: DIRECTOR },
  { file: 'studio-dim', path: '/studio', who: DIRECTOR, theme: 'dim' },
  { file: 'material', path: '/courses/hustle-1/material/left-turn', who: TEACHER },
  {
    file: 'material-dim',
    path: '/courses/tap-1/material/single-time-step',
    who: TEACHER,
    theme: 'dim',
  },
  { file: 'combine', path: '/courses/hustle-1/combine?lesson=8', who: TEACHER, act: findSequence },
  {
    file: 'compare',
    path: '/courses/hustle-1/material/left-turn/with/right-turn+rotating-basic',
    who: TEACHER,
  },
  { file: 'lesson', path: '/courses/hustle-1/lesson', who: TEACHER, act: runEvening },
  {
    file: 'lesson-tablet-dim',
    path: '/courses/hustle-1/lesson',
    who: TEACHER,
    size: TABLET,
    theme: 'dim',
    act: runEvening,
  },
  { file: 'lesson-phone', path: '/courses/hustle-1/lesson', who: TEACHER, size: PHONE },
  { file: 'recap', path: '/courses/hustle-1/recap?lesson=4', who: TEACHER },
  { file: 'check', path: '/courses/hustle-1/check', who: DIRECTOR, act: finalCheck },
  { file: 'map-proposal', path: '/courses/hustle-1/map', who: DIRECTOR, act: propose },
  { file: 'course-settings', path: '/courses/hustle-1/settings', who: DIRECTOR },
  { file: 'map', path: '/courses/hustle-1/map', who: DIRECTOR, act: planLevel },
];

const root = fileURLToPath(new URL('..', import.meta.url));
ensurePackages(root);
ensurePostgres();
ensureChromium();
await ensureBuilt(root);
const { chromium } = await import('@playwright/test');
const server = await startDemoServer(root, '2026-03-09');
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  chromiumSandbox: false,
  args: ['--disable-gpu', '--disable-quic', '--font-render-hinting=none', '--force-color-profile=srgb'],
});
try {
  for (const shot of SHOTS) if (!isSmall || shot.act === propose) await take(shot);
  await takeRecapOfStudent();
} finally {
  await browser.close();
  await server.stop();
}

async function open({ who, path, size = DESK, theme = 'day' }) {
  const context = await browser.newContext({
    viewport: size,
    reducedMotion: 'reduce',
    baseURL: server.address,
  });
  await context.addInitScript(chosen => localStorage.setItem('map-step-theme', chosen), theme);
  const page = await context.newPage();
  await page.goto(path);
  if (who) {
    await page.getByRole('button', { name: who }).click();
    await page.getByRole('button', { name: 'Sign out' }).waitFor();
  }
  await page.getByRole('main').waitFor();
  await page.waitForLoadState('networkidle');
  // Several parts of a page may still be loading.
  await page.waitForFunction(() => !document.querySelector('[role=status][aria-label=Loading]'));
  return page;
}

async function take(shot) {
  const page = await open(shot);
  await shot.act?.(page);
  // What a worker works out, as the plan of a class, comes a moment after the page.
  await page.waitForTimeout(1500);
  await save(page, shot.file);
}

async function takeRecapOfStudent() {
  const page = await open({ who: TEACHER, path: '/courses/hustle-1/recap?lesson=4' });
  await page.getByRole('button', { name: 'Make another link' }).click();
  const link = await page.getByRole('textbox', { name: 'Link', exact: true }).inputValue();
  const student = await open({ path: new URL(link).pathname, size: PHONE });
  await student.getByRole('heading', { name: 'Hustle 1, lesson 4' }).waitFor();
  await save(student, 'student-recap');
}

async function save(page, file) {
  await page.screenshot({ path: join(root, FOLDER, `${file}.png`) });
  await page.context().close();
  say(`${FOLDER}/${file}.png`);
}
