import type { Page } from '@playwright/test';
import { openAs } from './support/people.ts';
import { expect, test } from './support/test.ts';

interface HardFigure {
  readonly what: string;
  /** Presses that it took before the sheet had keys of its own. */
  readonly before: number;
  readonly course: string;
  readonly name: string;
  /** All that is typed after the name; a key by its name in braces. */
  readonly keys: string;
  readonly stored: Record<string, unknown>;
}

const HUSTLE = 'hustle-1';

/** Fourteen of fifteen hard figures; the three options at a choice point come with sequences. */
const FIGURES: readonly HardFigure[] = [
  {
    what: 'a six-count basic, triple, triple, rock step; mirrored but for the rock',
    before: 64,
    course: HUSTLE,
    name: 'Pier one',
    keys: '1&2 3&4 5 6{Enter}scsscsbr{Enter},',
    stored: {
      parts: {
        lead: 'L side, R close, L side, R side, L close, R side, L back, R replace',
        follow: 'keep',
      },
    },
  },
  {
    what: 'the same with single steps, as a version by tempo with its band',
    before: 136,
    course: HUSTLE,
    name: 'Pier two',
    keys: 'ssqq{Enter}ssbr{Enter},@v pier one, tempo{Enter}@te 140-180{Enter}',
    stored: { variantOf: 'pier-one', variantWhy: 'tempo', tempo: [{ min: 140, max: 180 }] },
  },
  {
    what: 'an inside turn over two steps under a lifted hand',
    before: 99,
    course: HUSTLE,
    name: 'Lift one',
    keys: '1 2 3 4 5 6{Enter}brppbr{Enter}/{ArrowRight};one; to one{Enter}{ArrowRight}+180 p{Enter}+180 p{Enter}.',
    stored: {
      holds: [{ event: 1, hold: 'one-hand' }],
      exit: 'one-hand',
      marks: [{ kind: 'caution', code: 'arm-turn' }],
    },
  },
  {
    what: 'a both-hands wrap and its unwrap: hands, place beside, caution',
    before: 216,
    course: HUSTLE,
    name: 'Parcel',
    keys: '&1 2 3&4 5 6{Enter}b ball, rpc, b ball, rpc{Enter}/,;3 wrap{Enter}{ArrowRight}{ArrowRight}+45 f{Enter}+135 b{Enter}{ArrowRight}{ArrowRight}xf -135{Enter}-45 b{Enter}.',
    stored: {
      holds: [{ event: 3, hold: 'wrap' }],
      parts: {
        follow:
          'R back ball, L replace, R +45 fwd, L +135 back, R back ball, L replace, R cross-front -135, L -45 back',
      },
      marks: [
        { kind: 'caution', code: 'arm-turn' },
        { kind: 'caution', code: 'wrap' },
      ],
    },
  },
  {
    what: 'a hand change behind the back, said as such',
    before: 111,
    course: HUSTLE,
    name: 'By back',
    keys: '1 2 3 4 5 6{Enter}brppbr{Enter};from one; 2 hands, by the back; to hands{Enter},.',
    stored: {
      holds: [{ event: 1, hold: 'handshake' }],
      marks: [{ event: 1, kind: 'hold', text: 'by the back' }],
    },
  },
  {
    what: 'an eight-count figure in a dance counted in sixes',
    before: 101,
    course: HUSTLE,
    name: 'Eights',
    keys: '1 2 3 4 5 6 7 8{Tab}{Tab}8{Enter}brscbrsc{Enter}',
    stored: { cycle: 8, rhythm: '1 2 3 4 5 6 7 8' },
  },
  {
    what: 'a slow/quick natural turn on the line, three eighths a half, with its alignment',
    before: 110,
    course: 'quickstep-1',
    name: 'Corner',
    keys: 'sqqsqq{Enter}r f{Enter}-135 s{Enter}c{Enter}b{Enter}-180 s{Enter}c{Enter}@ali -45{Enter}',
    stored: { align: [-45] },
  },
  {
    what: 'five steps in four beats, split with & and a',
    before: 31,
    course: HUSTLE,
    name: 'Five',
    keys: '1&2a4{Enter}scscs{Enter}',
    stored: { rhythm: '1&2a4' },
  },
  {
    what: 'a solo figure with sounds without weight, with claps',
    before: 56,
    course: 'tap-1',
    name: 'Rattle',
    keys: '1&2&{Enter}tptp{Enter}@cl 2 4{Enter}',
    stored: { claps: '2 4', parts: { solo: 'L tap, L place, R tap, R place' } },
  },
  {
    what: 'and doubled',
    before: 26,
    course: 'tap-1',
    name: 'Twice',
    keys: '*rattle*2{Enter}',
    stored: { made: [{ pattern: 'rattle', times: 2 }] },
  },
  {
    what: 'the halves of a solo figure joined to those of another',
    before: 39,
    course: 'tap-1',
    name: 'Halves',
    keys: '*1-2 of toe, 3-4 of heel{Enter}',
    stored: { parts: { solo: 'R tap, R close, L dig, L close' } },
  },
  {
    what: 'four pieces, the last one changed',
    before: 39,
    course: 'quickstep-1',
    name: 'Side',
    keys: '*walks-*4 last forward-l{Enter}',
    stored: { beats: 30 },
  },
  {
    what: 'the leader holds while the follower turns: a rhythm for each role',
    before: 64,
    course: HUSTLE,
    name: 'Clocks',
    keys: '1 3/1 2 3{Tab}4{Enter}s,c{Enter}/scs{Enter}',
    stored: { rhythm: { lead: '1 3', follow: '1 2 3' } },
  },
  {
    what: 'a dip over two lessons, with caution, place, rank and the reason',
    before: 219,
    course: HUSTLE,
    name: 'Low tide',
    keys: '1 2 3 4{Enter}scsp{Enter}/{ArrowRight}{ArrowRight}{ArrowRight}dip{Enter}!dip{Enter}@two{Enter}@le 3{Enter}@ra 3{Enter}@v wrap, harder{Enter}',
    stored: { overTwoLessons: true, rank: 3, variantWhy: 'harder' },
  },
];

/** A capital or a sign with Shift is two presses. */
const SHIFTED = /[A-Z&()+#:?*!@]/;

/** Types as a person does; says how often something was pressed. */
async function typed(page: Page, keys: string): Promise<number> {
  let presses = 0;
  for (const [part] of keys.matchAll(/\{\w+\}|[^{]+/g)) {
    if (part.startsWith('{')) {
      await page.keyboard.press(part.slice(1, -1));
      presses += 1;
    } else {
      await page.keyboard.type(part);
      for (const key of part) presses += SHIFTED.test(key) ? 2 : 1;
    }
  }
  return presses;
}

test('hard figures are written by keys alone, in at most three fifths of the presses', async ({
  browser,
}) => {
  const page = await openAs(browser, 'Suki Larch', `/courses/${HUSTLE}/material`);
  const told: string[] = [];
  let [all, before] = [0, 0];
  for (const figure of FIGURES) {
    if (!page.url().includes(`/courses/${figure.course}/`))
      await page.goto(`/courses/${figure.course}/material`);
    // In a cell N begins a step.
    await page.getByRole('button', { name: 'New figure' }).focus();
    let presses = await typed(page, `n${figure.name}{Enter}`);
    await expect(page.getByRole('heading', { name: figure.name, level: 2 })).toBeVisible();
    await expect(page.getByRole('textbox', { name: /^Rhythm/ })).toBeFocused();
    presses += await typed(page, figure.keys);
    const id = figure.name.toLowerCase().replaceAll(' ', '-');
    await expect(page.getByRole('status').filter({ hasText: /^saved$/ }), figure.what).toBeVisible();
    const stored = await page.evaluate(
      async figureId => ((await (await fetch(`/api/figures/${figureId}`)).json()) as { body: object }).body,
      id,
    );
    expect(stored, figure.what).toMatchObject(figure.stored);
    told.push(`${String(presses).padStart(4)} of ${String(figure.before).padStart(3)}  ${figure.what}`);
    all += presses;
    before += figure.before;
  }
  told.push(`${String(all).padStart(4)} of ${before}  all together`);
  console.log(told.join('\n'));
  expect(all).toBeLessThanOrEqual(0.6 * before);
});
