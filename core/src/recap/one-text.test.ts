import { describe, expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { FigureLog, LogResult, Pattern } from '../model/document.ts';
import { proofread } from '../proofread/proofread.ts';
import { log } from '../test/log.ts';
import { course, figure, studio } from '../test/studio.ts';
import { draftRecap } from './draft.ts';
import { likenessInWords } from './likeness-telling.ts';

const steps = (lead: string) => ({ parts: { lead, follow: 'opposite' } });
const WALK = 'L fwd, R fwd, L side, R close';
const FIGURES: readonly Pattern[] = [
  figure('walk', {
    name: 'Walk',
    ...steps(WALK),
    marks: [{ kind: 'fault', text: 'The heels drag', cure: 'Lift the knee' }],
  }),
  figure('pass', { name: 'Pass', ...steps('L fwd, R fwd, L side, R +90 close') }),
  figure('long', {
    name: 'Long *way*',
    ...steps('L back, R back, L side, R close'),
    lookalikes: ['walk', 'never'],
  }),
  figure('never', { name: 'Never', ...steps('L back, R back, L back, R back') }),
  figure('half', {
    name: 'Half',
    ...steps('L back, R back, L back, R close'),
    cuts: [{ event: 2, hold: 'open' }],
    marks: [{ kind: 'caution', text: 'Look round' }],
  }),
];
const library = openLibrary(studio(FIGURES));
const quay = course(['walk', 'pass', 'long', 'half'].map(pattern => ({ pattern, value: 'should' as const })));
const DATES = ['2026-02-02', '2026-02-09', '2026-02-16', '2026-03-02', '2026-03-09'];

function draft(
  lesson: number,
  results: Readonly<Record<string, LogResult>>,
  { before = [], next = [] }: { before?: readonly FigureLog[]; next?: readonly string[] } = {},
): string {
  const own = Object.entries(results).map(([pattern, result]) => log(lesson, pattern, result));
  return draftRecap({
    ...{
      studio: { name: 'Quay', timezone: 'UTC' },
      course: quay,
      library,
      lesson,
      audience: 'students',
      dates: DATES,
    },
    ...{
      logs: [...before, ...own],
      next,
      introduced: Object.keys(results).filter(id => !before.some(({ pattern }) => pattern === id)),
    },
  });
}
const figureIn = (material: typeof library, id: string) => {
  const found = material.readings.get(id)?.figure;
  if (!found) throw new Error(id);
  return found;
};
const had = (...ids: readonly string[]) => ids.map(id => log(1, id, 'solid') as FigureLog);

describe('what a figure shares with one that is known', () => {
  test('all steps but a turn: which turn is new', () => {
    expect(draft(2, { pass: 'solid' }, { before: had('walk') })).toContain(
      'The same steps as Walk; the turn on 4 is new.',
    );
  });

  test('the same without a turn is told of what looks alike; of several that share all the nearest', () => {
    const stroll = figure('stroll', { name: 'Stroll', ...steps(WALK), lookalikes: ['pass'] });
    const alike = openLibrary(studio([...FIGURES, stroll]));
    expect(likenessInWords(figureIn(alike, 'stroll'), ['pass'], { library: alike, studio: {} })).toBe(
      'The same steps as Pass, without the turn on 4.',
    );
    expect(draft(2, { walk: 'solid' }, { before: had('pass') })).not.toContain('The same steps');
    const other = figure('again', { name: 'Again', ...steps(WALK) });
    const material = openLibrary(studio([...FIGURES, other]));
    const known = ['pass', 'walk'];
    expect(
      likenessInWords(figureIn(material, 'again'), known, {
        library: material,
        studio: {},
      }),
    ).toBe('The same steps as Walk.');
  });

  test('half of the steps is not told, nor is a figure that the class has not had', () => {
    expect(draft(2, { long: 'solid' }, { before: had('walk') })).not.toMatch(/The same steps|You know/);
    expect(draft(1, { pass: 'solid' })).not.toMatch(/The same steps|You know/);
  });

  test('a figure earlier in the same text counts as known', () => {
    expect(draft(1, { walk: 'solid', pass: 'solid' })).toContain('The same steps as Walk');
  });
});

test('what the class has neither had nor in its plan is not named, and a name is no markup', () => {
  const text = draft(1, { long: 'solid' });
  expect(text).not.toContain('Never');
  expect(text).toContain('## New: Long \\*way\\*');
});

test('names with commas, brackets and signs of markup are told apart, and are no slips', () => {
  const named = openLibrary(
    studio([
      figure('turn', { name: 'Turn, double (slow)' }),
      figure('rock', { name: 'Rock [old] *one*', ...steps('L back, R back, L back, R close') }),
    ]),
  );
  const text = draftRecap({
    ...{ studio: { name: 'Quay', timezone: 'UTC' }, course: quay, library: named, lesson: 1 },
    ...{
      audience: 'students',
      logs: [log(1, 'turn'), log(1, 'rock')],
      introduced: ['turn', 'rock'],
      next: [],
    },
  });
  expect(text).toContain('Tonight was about Turn, double (slow); and Rock \\[old\\] \\*one\\*.');
  const told = { fresh: ['turn', 'rock'], begun: [] };
  expect(proofread(text, { library: named, studio: {}, dances: ['quay'], lesson: 1, of: 5, told })).toEqual(
    [],
  );
});

test('the count that all share is said once', () => {
  const text = draft(1, { walk: 'solid', pass: 'solid' });
  expect(text.match(/1 2 3 4\*\*/g)).toHaveLength(1);
  expect(draft(1, { walk: 'solid' }).match(/Counted \*\*1 2 3 4\*\*, 4 beats/g)).toHaveLength(1);
});

test('what was begun is told as far as its first piece, then finished, never new again', () => {
  const begun = draft(2, { half: 'touched' }, { next: ['half'] });
  expect(begun).toContain('Tonight we began Half.');
  expect(begun).toContain('**Leader:** 1 left back · 2 right back\n');
  expect(begun).toContain('It goes on from 3 next time.');
  expect(begun).toContain('we finish Half.');
  const finished = draft(3, { half: 'solid' }, { before: [log(2, 'half', 'touched') as FigureLog] });
  expect(finished).toContain('Tonight we finished Half.');
  expect(finished).toContain('## Finished: Half');
  expect(finished).not.toContain('New: Half');
});

test('a figure over two lessons: its pieces first, joined next time, and not new again', () => {
  const twice = openLibrary(studio([figure('join', { name: 'Join', overTwoLessons: true }), ...FIGURES]));
  const text = (lesson: number, logs: readonly FigureLog[], next: readonly string[]) =>
    draftRecap({
      ...{ studio: { name: 'Quay', timezone: 'UTC' }, course: quay, library: twice, lesson, logs, next },
      ...{ audience: 'students', introduced: ['join'] },
    });
  const first = log(1, 'join') as FigureLog;
  expect(text(1, [first], ['join'])).toMatch(
    /## New: Join[^#]*Tonight its pieces; next time they are joined\./,
  );
  expect(text(1, [first], ['join'])).toContain('we go on with Join.');
  const joined = text(2, [first, log(2, 'join') as FigureLog], []);
  expect(joined).toMatch(/## Finished: Join[^#]*Its pieces are joined now\./);
  expect(joined).toContain('Tonight we finished Join.');
});

test('practised are three at most: begun, then shaky with its fault and cure, then new', () => {
  const text = draft(
    2,
    { half: 'touched', pass: 'solid', long: 'solid', walk: 'shaky' },
    { before: had('walk') },
  );
  const practised = (text.split('## Practise at home\n')[1] ?? '').split('##')[0]?.match(/^- .*/gm);
  expect(practised).toEqual(['- Walk: watch this: the heels drag. Lift the knee.', '- Half and Pass.']);
});

test('a caution stands once, at the end, with its figures, and then what it is not', () => {
  const text = draft(2, { half: 'touched' });
  expect(text).toMatch(/## Take care\n\n\*\*Half\.\*\* Look round\.\n\n\*Usual cautions/);
  expect(text.match(/Look round/g)).toHaveLength(1);
});

describe('next time', () => {
  test('with its date; over two weeks says so', () => {
    expect(draft(1, { walk: 'solid' }, { next: ['pass'] })).toContain(
      'Next Monday, 9 February, we learn Pass.',
    );
    expect(draft(3, { walk: 'solid' }, { next: ['pass'] })).toContain(
      'On Monday, 2 March, in two weeks, we learn Pass.',
    );
  });

  test('what is carried over comes first; what is not in the plan is not promised', () => {
    const text = draft(
      2,
      { half: 'touched', long: 'not-reached', pass: 'not-reached' },
      { next: ['long', 'half', 'walk'] },
    );
    expect(text).toContain('we finish Half, come to Long \\*way\\* and begin Walk.');
    expect(text.split('## Next time')[1]).not.toContain('Pass');
  });

  test('before the last lesson it says that all is danced through; after it there is none', () => {
    expect(draft(4, { walk: 'solid' })).toContain('everything is danced through once more');
    const last = draft(5, { walk: 'solid' }, { before: had('pass') });
    expect(last).not.toContain('Next time');
    expect(last).toContain('## Everything once');
    expect(last).toMatch(/### Pass\n/);
  });
});

test('at the end the figures stand in the order of the combination that is danced', () => {
  const source = {
    ...{ studio: { name: 'Quay', timezone: 'UTC' }, course: quay, library, lesson: 5 },
    ...{ audience: 'students' as const, logs: had('walk', 'pass', 'long'), introduced: [], next: [] },
    wrapUp: { name: 'Round', patterns: ['long', 'walk'] },
  };
  const titles = draftRecap(source).match(/^### .*/gm);
  expect(titles).toEqual(['### Long \\*way\\*', '### Walk', '### Pass']);
  expect(draftRecap(source)).toContain('First as Round goes.');
});
