import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, test } from 'vitest';
import { loadSolver } from './load-solver.ts';
import { runCommand } from './run.ts';

const folder = mkdtempSync(join(tmpdir(), 'map-step-'));
afterAll(() => rmSync(folder, { recursive: true }));

const demo = new URL('../../demo/tarn-street.json', import.meta.url).pathname;
const save = (name: string, value: unknown) => {
  const file = join(folder, name);
  writeFileSync(file, typeof value === 'string' ? value : JSON.stringify(value));
  return file;
};
const ask = (...list: string[]) => {
  const answer = runCommand(list);
  if ('error' in answer) throw new Error(answer.error);
  return JSON.parse('text' in answer ? answer.text : '');
};
const refusal = (...list: string[]) => {
  const answer = runCommand(list);
  expect(answer.code).toBe(2);
  return 'error' in answer ? answer.error : '';
};
const problem = {
  lessons: [{ capacity: 100 }, { capacity: 100 }, { capacity: 100 }],
  items: [
    { id: 'a', kind: 'basic', value: 'must', assembly: 40, elements: ['e'], needs: [] },
    { id: 'b', kind: 'turn', value: 'must', assembly: 40, elements: [], needs: ['a'] },
  ],
  elements: { e: 20 },
  lookalikes: [],
  apart: true,
};

describe('timing and phrase', () => {
  test('a pick-up: &1 2 3 over 3 beats', () => {
    expect(ask('timing', '--rhythm', '&1 2 3', '--beats', '3')).toEqual({
      beats: '3',
      events: [
        { label: '&', onset: '-1/2', length: '1/2', rest: false },
        { label: '1', onset: '0', length: '1', rest: false },
        { label: '2', onset: '1', length: '1', rest: false },
        { label: '3', onset: '2', length: '1/2', rest: false },
      ],
    });
  });

  test('3 beats over 8', () => {
    expect(ask('phrase', '--beats', '3', '--phrase', '8')).toEqual({ repeats: 8, phrases: 3, beats: '24' });
  });

  test.each([
    [['timing', '--rhythm', '34'], /character 0/],
    [['timing', '--rhythm', '1 2', '--beats', '-6'], /--beats must be above 0/],
    [['timing', '--rhythm', '1', '--cycle', 'x'], /whole number/],
    [['timing', '--rhythm'], /needs a value/],
    [['timing', '--tune', '1'], /not an option/],
    [['timing'], /needs --rhythm/],
    [['sing'], /not a verb/],
    [[], /expected a verb/],
  ])('%j is refused', (list, message) => {
    expect(refusal(...list)).toMatch(message);
  });
});

describe('files', () => {
  test('check of the demo finds nothing', () => {
    const { patterns, problems } = ask('check', demo);
    expect(patterns).toBe(89);
    expect(problems.filter(({ severity }: { severity: string }) => severity === 'error')).toEqual([]);
  });

  test('check with an error exits 1, plan of such a course is refused with the place', () => {
    const document = {
      format: 'mapstep/3',
      studio: { name: 'S', timezone: 'UTC' },
      dances: [
        {
          id: 'd',
          name: 'D',
          roles: 'solo',
          beatsPerBar: 4,
          countCycle: 4,
          slow: 2,
          quick: 1,
          split: 'straight',
          phrase: 8,
          tempo: [],
          floor: 'free',
          holds: [],
        },
      ],
      patterns: [
        { id: 'p', dance: 'd', name: 'P', kind: 'basic', rhythm: '1 2', parts: { solo: 'L fwd, L fwd' } },
      ],
      courses: [
        {
          id: 'c',
          dances: ['d'],
          name: 'C',
          format: 'series',
          approach: 'steps-first',
          lookalikes: 'apart',
          lessons: [{ minutes: 45, fixed: { arrive: 5, combine: 5, dance: 5, recap: 5 } }],
          items: [{ pattern: 'p', value: 'must' }],
        },
      ],
    };
    const file = save('weight.json', document);
    const answer = runCommand(['check', file]);
    expect(answer.code).toBe(1);
    expect('text' in answer && JSON.parse(answer.text).problems[0]).toMatchObject({
      code: 'foot-carries-weight',
      at: '/patterns/0/parts/solo/1',
    });
    expect(refusal('plan', file, 'c')).toMatch(/\/patterns\/0\/parts\/solo\/1/);
  });

  test.each([
    ['gone', () => join(folder, 'gone.json'), /no such file/],
    ['not JSON', () => save('broken.json', '{"format": '), /character 11/],
    ['another shape', () => save('shape.json', { format: 'other' }), /\/format/],
    ['too deep', () => save('deep.json', '['.repeat(100_000)), /nests deeper/],
  ])('a file that is %s is told in one line', (_, file, message) => {
    const line = refusal('check', file());
    expect(line).toMatch(message);
    expect(line).not.toContain('\n');
  });

  test('programme tells what each level teaches, and what hurts between them', () => {
    const { findings, levels } = ask('programme', demo) as {
      findings: { code: string; dance: string; level: string; pattern?: string; mend?: object }[];
      levels: { level: string; minutes: number; items: number; requires: string[]; gives: string[] }[];
    };
    const two = levels.find(({ level }) => level === 'hustle-2');
    expect(two?.requires).toContain('wrap');
    expect(two?.items).toBe(two?.gives.length);
    expect(findings).toContainEqual(
      expect.objectContaining({
        code: 'twice',
        level: 'hustle-2',
        pattern: 'cradle-walk',
        mend: { drop: 'cradle-walk' },
      }),
    );
    for (const { code, pattern } of findings)
      expect(pattern === undefined).toBe(code === 'unused' || code === 'heavy');
  });

  test('timetable lays classes into rooms and staff, and tells what would place the rest', async () => {
    const evening = { day: 'Mon', from: '18:00', to: '23:00' };
    const asked = (level: string) =>
      save('request.json', {
        classes: [{ level, times: 2, minutes: 60 }],
        slots: [{ room: 'loft', day: 'Mon', start: '19:00', end: '20:30' }],
        staff: [{ person: 'ana', levels: [level], free: [evening], most: 3 }],
      });
    const answer = runCommand(['timetable', demo, asked('hustle-1')], await loadSolver());
    expect(JSON.parse('text' in answer ? answer.text : '')).toEqual({
      placed: [{ level: 'hustle-1', n: 1, room: 'loft', day: 'Mon', start: '19:00', person: 'ana' }],
      left: [
        {
          ...{ level: 'hustle-1', n: 2, would: 'one more hour of loft on Mon, until 21:30' },
          why: 'the rooms or the people who may teach it are taken by other classes',
        },
      ],
      ...{ cost: 103, bound: 103, proven: true },
    });
    expect(refusal('timetable', demo, asked('hustle-9'))).toMatch(/no level "hustle-9" in .*hustle-1/);
  });

  test('a course that is not there is told with those that are', () => {
    expect(refusal('plan', demo, 'waltz')).toMatch(/there are: hustle-1/);
  });
});

describe('figures', () => {
  test('closure of the side basic: 3 beats over phrases of 8 are 8 times, 24 beats', () => {
    expect(ask('closure', demo, 'side-basic')).toEqual({
      foot: 1,
      facing: 1,
      phrase: 8,
      hold: 1,
      all: 8,
      beats: '24',
    });
  });
  test('links of the quarter turn on the line of dance: the progressive chassé begins where it ends', () => {
    expect(ask('links', demo, 'quarter-turn')).toEqual({
      after: ['progressive-chasse', 'four-quick-run'],
      before: [
        ...['walks-to-wall', 'progressive-chasse', 'chasse-from-line', 'walk-from-line', 'forward-lock'],
        ...['cross-chasse', 'four-quick-run'],
      ],
    });
  });
  test('routes of the running finish: in by two turns, and out to the walks at once', () => {
    expect(ask('routes', demo, 'running-finish')).toEqual({ in: ['half-natural'], out: [] });
    expect(ask('routes', demo, 'natural-pivot-turn')).toEqual({ in: [], out: null });
    expect(ask('routes', demo, 'toe-taps')).toEqual({ in: [], out: [] });
  });
  test('joins: nothing in the demo; a basic that comes nearer collides the third time, and at once in the turn after it', () => {
    expect(ask('joins', demo)).toEqual({ joins: [] });
    const document = JSON.parse(readFileSync(demo, 'utf8'));
    const basic = document.patterns.find(({ id }: { id: string }) => id === 'rotating-basic');
    Object.assign(basic, {
      parts: {
        lead: 'L back ball, R replace, L place, R close',
        follow: 'R back ball, L replace, R fwd, L close',
      },
      turn: 0,
    });
    const nearer = save('nearer.json', document);
    expect(ask('joins', nearer, 'rotating-basic', 'left-turn').joins).toMatchObject([
      { first: 'rotating-basic', second: 'left-turn', code: 'join-collide' },
    ]);
    expect(ask('joins', nearer, 'rotating-basic', 'rotating-basic').joins).toMatchObject([
      { code: 'creeps', times: 3, at: expect.stringMatching(/^\/patterns\/\d+\/parts\/follow\/\d+$/) },
    ]);
    expect(ask('joins', nearer).joins.length).toBeGreaterThan(1);
  });
  test('couple of the wrap: the follower ends at the leader’s right, arms clean, each needed step told', () => {
    const { events, arms, needed } = ask('couple', demo, 'wrap');
    expect(events.at(-1)).toEqual({ event: 3, hold: 'wrap', ahead: -0.033, side: -0.318, rel: 360 });
    expect(arms).toEqual([{ from: 'two-hand', to: 'wrap', wound: 0 }]);
    expect(needed.map(({ event }: { event: number }) => event)).toEqual([0, 1, 2, 3]);
    expect(ask('couple', demo, 'toe-taps')).toEqual({ events: [], arms: [], needed: [] });
  });
  test('compare tells novelty and pairs for each role', () => {
    const { novelty, roles } = ask('compare', demo, 'side-basic', 'close-basic');
    expect(novelty).toBe(0);
    expect(roles.follow.pairs).toHaveLength(4);
    expect(roles.lead.pairs[0]).toEqual([0, 0, 'same']);
  });
  test.each([
    [['closure', demo, 'none'], /there is no pattern "none"/],
    [['links', demo], /expected FILE PATTERN/],
    [['joins', demo, 'wrap'], /expected FILE \[A B\]/],
    [['compare', demo, 'wrap', 'none'], /there is no pattern "none"/],
  ])('%j is refused', (list, message) => {
    expect(refusal(...list)).toMatch(message);
  });
});

describe('ready', () => {
  const mark = (student: string, by: string, given: number) => ({
    ...{ id: crypto.randomUUID(), student, role: 'lead', pattern: 'wrap', layer: 'steps', mark: given },
    ...{ by, at: '2026-03-09T19:00:00Z' },
  });
  const studio = JSON.parse(readFileSync(demo, 'utf8'));
  const [first, second] = studio.sections[0].students.filter(({ role }: { role: string }) => role === 'lead');
  const check = {
    ...{ id: 'half-way', section: 'hustle-1-monday', kind: 'half-way', date: '2026-03-09' },
    items: [{ pattern: 'wrap', layers: ['steps'], gate: true }],
    marks: [
      mark(first.student, 'bram-okoro', 2),
      mark(first.student, 'suki-larch', 3),
      mark(second.student, 'bram-okoro', 1),
    ],
  };
  const file = save('checked.json', { ...studio, checks: [check] });

  test('who is ready and who is not, how markers agree, and what was passed', () => {
    const { students, markers, items } = ask('ready', file, 'hustle-1-monday');
    expect(students.find(({ student }: { student: string }) => student === first.student)).toEqual({
      ...{ student: first.student, role: 'lead', result: 'ready', passed: ['wrap'], missing: [] },
    });
    expect(students.find(({ student }: { student: string }) => student === second.student)).toMatchObject({
      result: 'nearly',
      missing: [{ pattern: 'wrap', layer: 'steps' }],
    });
    expect(markers).toEqual([
      { a: 'bram-okoro', b: 'suki-larch', cells: 1, kappa: 0, difference: -1, low: null, high: null },
    ]);
    expect(items).toEqual([{ pattern: 'wrap', asked: 2, passed: 1 }]);
  });

  test.each([
    [['ready', file, 'nowhere'], /there is no section "nowhere"/],
    [['ready', demo, 'hustle-1-monday'], /has no check/],
  ])('%j is refused', (list, message) => {
    expect(refusal(...list)).toMatch(message);
  });
});

describe('convert', () => {
  const text = (...list: string[]) => {
    const answer = runCommand(['convert', ...list]);
    if (!('text' in answer)) throw new Error(JSON.stringify(answer));
    return answer.text;
  };
  test('to json is the canonical text, which is what the demo is', () => {
    expect(text(demo, '--to', 'json')).toBe(readFileSync(demo, 'utf8'));
  });
  test('to csv has a line for each figure and one for the names', () => {
    const lines = text(demo, '--to', 'csv').trim().split('\r\n');
    expect(lines).toHaveLength(90);
    expect(lines[0]).toMatch(/^id,dance,name,kind,level,rhythm/);
    expect(text(demo, '--to', 'csv', '--what', 'students')).toMatch(/^id,name,role\r\n/);
  });
  test('to svg draws a figure with its words, one step a cell', () => {
    const drawing = text(demo, '--to', 'svg', '--what', 'left-turn');
    expect(drawing).toMatch(/^<svg xmlns/);
    expect(drawing).toContain('>Left turn</text>');
    expect(drawing.match(/<rect [^>]*rx="5"/g)).toHaveLength(8);
    expect(drawing).toContain('url(#own-follow)');
  });
  test.each([
    [['--to', 'pdf'], /needs --to csv/],
    [['--to', 'csv', '--what', 'rooms'], /there are: patterns, items/],
    [['--to', 'svg'], /needs --what/],
    [['--to', 'svg', '--what', 'none'], /no pattern "none"/],
  ])('%j is refused', (list, message) => {
    expect(refusal('convert', demo, ...list)).toMatch(message);
  });
  test('in a batch the text stands as a string', () => {
    const calls = save('convert.json', [['convert', demo, '--to', 'csv', '--what', 'students']]);
    expect(ask('batch', calls)[0].out).toBe(text(demo, '--to', 'csv', '--what', 'students'));
  });
});

describe('plans', () => {
  test('plan fills the lessons of Hustle 1 and leaves out nothing', () => {
    const answer = ask('plan', demo, 'hustle-1', '--from-nothing', '--work', '20000');
    expect(answer).toMatchObject({ left: [], broken: [], split: [] });
    expect(answer.problem.taught).toBeUndefined();
    for (const lesson of answer.lessons)
      expect(lesson.new + lesson.review).toBeLessThanOrEqual(lesson.capacity);
  });

  test('what the most advanced class has behind it stands as it was planned; the rest is planned', () => {
    const answer = ask('plan', demo, 'hustle-1', '--work', '20000');
    const planned = Object.fromEntries(
      JSON.parse(readFileSync(demo, 'utf8'))
        .courses.find(({ id }: { id: string }) => id === 'hustle-1')
        .placed.map(({ pattern, lesson }: { pattern: string; lesson: number }) => [pattern, lesson]),
    );
    expect(answer.problem.taught.lessons).toBe(4);
    for (const [id, lesson] of Object.entries(answer.placed))
      if (Number(lesson) <= 4) expect(planned[id]).toBe(lesson);
  });

  test('a lesson of a class that has begun is the class’s own: what was not reached comes first, and was not had', () => {
    const { blocks } = ask('lesson', demo, 'hustle-1', '5');
    const fresh = blocks.filter(({ kind }: { kind: string }) => kind === 'new');
    expect(fresh[0].patterns).toEqual(['hand-change']);
  });

  test('solve reads a bare problem, judge judges a plan of it and exits 1 when a rule is broken', () => {
    const file = save('problem.json', problem);
    expect(ask('solve', file, '--work', '2000')).toMatchObject({ placed: { a: 1 }, broken: [] });
    const answer = runCommand(['judge', file, save('plan.json', { placed: { a: 2, b: 1 } })]);
    expect(answer.code).toBe(1);
    expect('text' in answer && JSON.parse(answer.text).broken).toMatchObject([{ rule: 'need', at: 'b' }]);
  });

  test('with the exact solver the plan is proven, its bound is its cost, and the same work gives the same answer', async () => {
    const solver = await loadSolver();
    // 4 + 2 minutes and 4 more: a lesson of 6 holds only one of them.
    const tight = { ...problem, lessons: [60, 60, 60].map(capacity => ({ capacity })) };
    const file = save('tight.json', tight);
    const solve = () => {
      const { code, ...told } = runCommand(['solve', file, '--work', '100000'], solver);
      expect(code).toBe(0);
      return 'text' in told ? JSON.parse(told.text) : undefined;
    };
    const answer = solve();
    expect(answer).toMatchObject({ placed: { a: 1, b: 2 }, proven: true, ended: 'proven' });
    expect(answer.bound).toBe(answer.cost.total);
    expect({ ...solve(), seconds: 0 }).toEqual({ ...answer, seconds: 0 });
  });

  test.each([
    ['a cycle', { items: [{ ...problem.items[0], needs: ['b'] }, problem.items[1]] }, /a → b → a/],
    ['an unknown id', { items: [{ ...problem.items[0], needs: ['z'] }] }, /"z"/],
    ['a capacity below zero', { lessons: [{ capacity: -1 }] }, /lesson 1/],
    ['an unknown key', { colour: 1 }, /colour/],
  ])('an unusable problem is refused: %s', (_, change, message) => {
    expect(refusal('solve', save('bad.json', { ...problem, ...change }))).toMatch(message);
  });

  test('lesson prints the running order on the clock of its class', () => {
    const order = ask('lesson', demo, 'hustle-1', '5');
    expect(order.blocks[0]).toMatchObject({ kind: 'arrive', from: '19:00' });
    expect(order.blocks.reduce((sum: number, block: { minutes: number }) => sum + block.minutes, 0)).toBe(60);
    expect(refusal('lesson', demo, 'hustle-1', '9')).toMatch(/from 1 to 8/);
  });

  test('batch answers each call as the single call would', () => {
    const calls = [['phrase', '--beats', '3', '--phrase', '8'], ['sing'], ['batch', 'x']];
    expect(ask('batch', save('batch.json', calls))).toMatchObject([
      { code: 0, out: { repeats: 8 } },
      { code: 2, error: expect.stringContaining('not a verb') },
      { code: 2 },
    ]);
  });
});

describe('sequences', () => {
  test('a combination, and one figure, as a Standard MIDI file; in a batch as base64', () => {
    const [one, other] = ['round-the-loft', 'cradle-walk'].map(what =>
      runCommand(['convert', demo, '--to', 'midi', '--what', what, '--tempo', '110']),
    );
    for (const answer of [one, other]) {
      const bytes = answer && 'bytes' in answer ? answer.bytes : new Uint8Array();
      expect(String.fromCharCode(...bytes.slice(0, 4))).toBe('MThd');
    }
    const calls = save('calls.json', [
      ['convert', demo, '--to', 'midi', '--what', 'cradle-walk', '--tempo', '110'],
    ]);
    const [{ out }] = ask('batch', calls);
    expect(Buffer.from(out, 'base64')).toEqual(Buffer.from(other && 'bytes' in other ? other.bytes : []));
    expect(refusal('convert', demo, '--to', 'midi', '--what', 'no-such')).toMatch(/there is no pattern/);
    expect(refusal('convert', demo, '--to', 'midi')).toMatch(/needs --what/);
  });

  const request = {
    ...{
      dance: 'hustle',
      beats: 24,
      start: { hold: 'two-hand', lead: 'L' },
      end: 'same',
      maxInRow: 2,
      count: 2,
    },
    ...{ use: ['side-basic', 'wrap', 'unwrap', 'cradle-walk', 'left-turn', 'leaders-turn'], must: ['wrap'] },
  };
  const combine = (more = {}) => ask('combine', demo, save('request.json', { ...request, ...more }));
  const walk = (steps: readonly unknown[]) =>
    runCommand([
      'walk',
      demo,
      save('sequence.json', { dance: 'hustle', start: request.start, steps, end: 'same' }),
    ]);

  const walkFrom = (start: object, patterns: readonly string[]) => {
    const steps = patterns.map(pattern => ({ pattern }));
    return ask('walk', demo, save('sequence.json', { dance: 'hustle', start, steps, end: 'same' }));
  };

  test('three eights with a wrap in them, that walk clean and end where they began', () => {
    const { sequences, why } = combine();
    expect(why).toBeNull();
    expect(sequences).toHaveLength(2);
    for (const { patterns, beats, score } of sequences) {
      expect([beats, patterns.includes('wrap'), score <= 0]).toEqual(['24', true, true]);
      const answer = walk(patterns.map((pattern: string) => ({ pattern })));
      expect(answer.code).toBe(0);
      expect(JSON.parse('text' in answer ? answer.text : '')).toMatchObject({
        faults: [],
        beats: '24',
        closes: true,
      });
    }
  });

  test('with halves: six beats of a figure of nine, by its first and last three', () => {
    const cut = {
      ...{ use: ['one-hand-sequence'], must: [], beats: 6, maxInRow: 1, count: 1 },
      start: { hold: 'one-hand', lead: 'L' },
    };
    expect(combine(cut).sequences).toEqual([]);
    const [{ patterns }] = combine({ ...cut, halves: true, must: [] }).sequences;
    expect(patterns).toHaveLength(2);
    for (const id of patterns) expect(id).toMatch(/^one-hand-sequence:(head-4|tail-8)$/);
    expect(walkFrom(cut.start, patterns)).toMatchObject({ faults: [], beats: '6', closes: true });
  });

  test('none: exit 1, with the reason and what opens a way', () => {
    const file = save('request.json', { ...request, use: ['side-basic', 'wrap'], beats: 24 });
    const answer = runCommand(['combine', demo, file]);
    expect(answer.code).toBe(1);
    const { sequences, why } = JSON.parse('text' in answer ? answer.text : '');
    expect(sequences).toEqual([]);
    expect(why).toMatchObject({ rule: 'hold', opens: expect.arrayContaining(['unwrap']) });
    expect(combine.bind(null, { beats: 25 })).not.toThrow();
  });

  test('sixty-four beats with three musts, danced four times round, are still in their place', () => {
    const use = [...request.use, 'stop-on-four', 'forward-back-basic', 'right-turn', 'cross-over'];
    const { sequences } = combine({ use, beats: 64, must: ['wrap', 'left-turn', 'leaders-turn'] });
    const round = sequences[0].patterns.map((pattern: string) => ({ pattern }));
    const answer = walk([...round, ...round, ...round, ...round]);
    expect(JSON.parse('text' in answer ? answer.text : '')).toMatchObject({
      faults: [],
      beats: '256',
      closes: true,
    });
  });

  test('a figure without beats is left out, and the answer says so', () => {
    const studio = JSON.parse(readFileSync(demo, 'utf8'));
    const free = studio.patterns.find(({ id }: { id: string }) => id === 'back-check');
    studio.patterns.push({
      ...free,
      id: 'drift',
      name: 'Drift',
      rhythm: 'free:4',
      beats: undefined,
      otherCounts: [],
    });
    const file = save('studio.json', { ...studio, checks: [] });
    const asked = save('request.json', { ...request, use: [...request.use, 'drift'] });
    const { sequences, why } = ask('combine', file, asked);
    expect(sequences).toHaveLength(2);
    expect(why).toEqual({ rule: 'untimed', message: expect.stringMatching(/^drift: no beats/) });
  });

  test('a link that fails: exit 1, where and what', () => {
    const answer = walk([{ pattern: 'side-basic', times: 2 }, { pattern: 'unwrap' }]);
    expect(answer.code).toBe(1);
    const { steps, faults } = JSON.parse('text' in answer ? answer.text : '');
    expect(steps[1]).toMatchObject({
      beat: '3',
      hold: 'two-hand',
      free: { lead: 'L', follow: 'R' },
      facing: 0,
    });
    expect(faults).toMatchObject([{ at: '/steps/1', code: 'hold' }]);
  });

  test.each([
    [{ must: ['left-turn', 'basket'] }, /\/must\/1: "basket" is not within "use"/],
    [{ end: 'opposite' }, /\/end: in a slot/],
    [{ start: { hold: 'sling', lead: 'L' } }, /\/start\/hold: Hustle has no hold "sling"/],
    [{ use: ['quarter-turn'], must: [] }, /\/use\/0: "quarter-turn" is not a figure of "hustle"/],
    [{ beats: '1/7' }, /\/beats: "1\/7" is not a multiple/],
    [{ beats: 0 }, /\/beats: beats must be above 0/],
    [{ tune: 1 }, /tune/],
  ])('%o is refused', (more, message) => {
    expect(refusal('combine', demo, save('request.json', { ...request, ...more }))).toMatch(message);
  });
});
