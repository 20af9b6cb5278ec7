// What a recap says is read back from the text and held against the log and the figures, over a thousand made-up evenings.
import fc from 'fast-check';
import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import type { FigureLog, LogResult, Pattern } from '../model/document.ts';
import { proofread } from '../proofread/proofread.ts';
import { course, figure, studio } from '../test/studio.ts';
import { draftRecap } from './draft.ts';

// No name is a part of another, or a word that a recap uses.
const NAMES = ['Alder', 'Birch', 'Cedar', 'Dogwood', 'Elm', 'Fir', 'Ginkgo', 'Hazel', 'Ivy'];
const LESSONS = 5;
const DATES = ['2026-02-02', '2026-02-09', '2026-02-16', '2026-03-02', '2026-03-09'];
const STEPS = ['fwd', 'back', 'side', '+90 fwd', 'place'];

/** Nine figures: the last but one is nobody's plan, the last a drill; one in three is cut or taught over two lessons. */
const material = fc
  .array(
    fc.record({
      steps: fc.array(fc.constantFrom(...STEPS), { minLength: 3, maxLength: 3 }),
      entry: fc.constantFrom('open', 'beside'),
      exit: fc.constantFrom('same', 'open', 'near'),
      way: fc.constantFrom('plain', 'cut', 'twice'),
      hasFault: fc.boolean(),
    }),
    { minLength: NAMES.length, maxLength: NAMES.length },
  )
  .map(made =>
    made.map(({ steps: [a, b, c], entry, exit, way, hasFault }, index): Pattern => {
      const name = NAMES[index] ?? '';
      const own = `${name.toLowerCase()} words`;
      return figure(name.toLowerCase(), {
        name,
        parts: { lead: `L ${a}, R ${b}, L ${c}, R close`, follow: 'opposite' },
        ...{ entry: [entry], exit, level: 'one' },
        ...(index > 2 && index % 3 === 0 && { needs: [NAMES[index - 2]?.toLowerCase() ?? ''] }),
        ...(index > 3 && { lookalikes: [NAMES[index - 3]?.toLowerCase() ?? ''] }),
        ...(way === 'cut' && { cuts: [{ event: 2, hold: entry }] }),
        ...(way === 'twice' && { overTwoLessons: true }),
        ...(index === NAMES.length - 1 && {
          kind: 'drill',
          over: 'alder',
          grades: [`Slowly, ${own}`, 'To music'],
        }),
        marks: [
          { kind: 'cue', text: `Think of ${own}` },
          { kind: 'signal', text: `The hand says ${own}` },
          ...(hasFault
            ? [{ kind: 'fault' as const, text: `Too much of ${own}`, cure: `Less of ${own}` }]
            : []),
          { kind: 'caution', text: `Mind the ${own}` },
        ],
      });
    }),
  );

const RESULTS: readonly (LogResult | undefined)[] = ['solid', 'shaky', 'touched', 'not-reached', undefined];
const evening = fc.array(fc.constantFrom(...RESULTS), { minLength: NAMES.length, maxLength: NAMES.length });
const series = fc.record({
  patterns: material,
  evenings: fc.array(evening, { minLength: LESSONS, maxLength: LESSONS }),
  next: fc.array(fc.boolean(), { minLength: NAMES.length, maxLength: NAMES.length }),
});

const UNPLANNED = 'fir';
const idOf = (name: string) => name.toLowerCase();
const namesIn = (text = '') => NAMES.filter(name => text.includes(name));

/** What a class has had of a figure before a lesson, by a rule written down here once more. */
function before(
  logs: readonly FigureLog[],
  lesson: number,
  pattern: string,
): 'danced' | 'touched' | 'nothing' {
  const own = logs.filter(log => log.pattern === pattern && log.lesson < lesson).map(({ result }) => result);
  if (own.some(result => result === 'solid' || result === 'shaky')) return 'danced';
  return own.includes('touched') ? 'touched' : 'nothing';
}

let seen = 0;

test('of a thousand evenings every fact is true, each sentence stands once, and nobody is named whom the class does not know', () => {
  fc.assert(
    fc.property(series, ({ patterns, evenings, next }) => {
      const library = openLibrary(studio(patterns));
      const planned = patterns.map(({ id }) => id).filter(id => id !== UNPLANNED);
      const quay = course(planned.map(pattern => ({ pattern, value: 'should' })));
      let logs: FigureLog[] = [];
      for (const [index, results] of evenings.entries()) {
        const lesson = index + 1;
        const tonight = results.flatMap((result, at): FigureLog[] => {
          const pattern = patterns[at]?.id ?? '';
          return result === undefined || pattern === UNPLANNED ? [] : [entry(lesson, at, pattern, result)];
        });
        logs = [...logs, ...tonight];
        const coming = planned.filter((_, at) => next[at] && lesson < LESSONS);
        const source = {
          studio: { name: 'Quay', timezone: 'UTC' },
          ...{ course: quay, library, lesson, logs, dates: DATES, planned, next: coming },
          audience: 'students' as const,
          introduced: tonight
            .map(({ pattern }) => pattern)
            .filter(id => before(logs, lesson, id) !== 'danced'),
        };
        const text = draftRecap(source);
        expect(draftRecap({ ...source, logs: logs.map(log => ({ ...log, id: `x${log.id}` })) })).toBe(text);
        tellsTheEvening(text, logs, lesson);
        tellsTheFigures(text, patterns);
        standsOnce(text);
        expect(namesIn(text).map(idOf)).not.toContain(UNPLANNED);
        practises(text, tonight);
        const then = text.split('## Next time\n')[1] ?? '';
        const promised = namesIn(then.split('It is the last')[0]?.split('is the last')[0]);
        expect(promised.map(idOf).sort()).toEqual([...coming].sort());
        const told = { fresh: toldAs(text, 'New'), begun: toldAs(text, 'Begun') };
        expect(proofread(text, { library, studio: {}, dances: ['quay'], lesson, of: LESSONS, told })).toEqual(
          [],
        );
        seen += 1;
      }
    }),
    { seed: 30, numRuns: 200 },
  );
  expect(seen).toBeGreaterThanOrEqual(1000);
});

function entry(lesson: number, at: number, pattern: string, result: LogResult): FigureLog {
  const id = `00000000-0000-4000-8000-${String(lesson * 100 + at).padStart(12, '0')}`;
  const stamp = `2026-01-0${lesson}T10:00:${String(at).padStart(2, '0')}Z`;
  return { id, section: 's', lesson, by: 'p', at: stamp, pattern, result };
}

const toldAs = (text: string, title: string) =>
  [...text.matchAll(new RegExp(`^## ${title}: (.*)$`, 'gm'))].map(match => idOf(match[1] ?? ''));

/** The sentences of the first paragraph and the headings say what the log says. */
function tellsTheEvening(text: string, logs: readonly FigureLog[], lesson: number): void {
  const tonight = logs.filter(log => log.lesson === lesson && log.result !== 'not-reached');
  const those = (was: readonly string[], is: readonly LogResult[], drill?: boolean) =>
    tonight
      .filter(({ pattern, result }) => was.includes(before(logs, lesson, pattern)) && is.includes(result))
      .map(({ pattern }) => pattern)
      .filter(id => drill === undefined || (id === 'ivy') === drill)
      .sort();
  const said = (sentence: RegExp) => namesIn(sentence.exec(text)?.[1]).map(idOf).sort();
  const news = those(['nothing'], ['solid', 'shaky']);
  const finished = those(['touched'], ['solid', 'shaky'], false);
  expect(said(/Tonight was about ([^.]*)\./)).toEqual(news);
  expect(said(/(?:Tonight we|We) finished ([^.]*)\./)).toEqual(finished);
  expect(said(/(?:Tonight we|We) went on with ([^.]*)\./)).toEqual(
    [...those(['touched'], ['solid', 'shaky'], true), ...those(['touched'], ['touched'])].sort(),
  );
  expect(said(/(?:Tonight we|We also) began ([^.]*)\./)).toEqual(those(['nothing'], ['touched']));
  expect(said(/(?:We went over|danced what we know:) ([^.]*)\./)).toEqual(
    those(['danced'], ['solid', 'shaky', 'touched']),
  );
  const headed = [...toldAs(text, 'New'), ...toldAs(text, 'Finished'), ...toldAs(text, 'Begun')];
  const all = [...news, ...finished, ...those(['nothing'], ['touched'])];
  expect(headed.sort()).toEqual(all.sort());
}

/** Parts, likeness and what a figure is needed for, against the figures as they are written. */
function tellsTheFigures(text: string, patterns: readonly Pattern[]): void {
  const stepsOf = (name: string | undefined) => {
    const parts = patterns.find(pattern => pattern.name === name)?.parts;
    return parts && 'lead' in parts ? parts.lead.split(', ') : [];
  };
  const turnless = (step = '') => step.replace('+90 ', '');
  for (const [, name = '', section = ''] of text.matchAll(
    /^## (?:New|Finished|Begun): (.*)\n([\s\S]*?)(?=^## |$(?![\s\S]))/gm,
  )) {
    const own = stepsOf(name);
    const line = /^\*\*Leader:\*\* (.*)$/m.exec(section)?.[1];
    for (const [at, said] of line?.split(' · ').entries() ?? []) {
      const way = { fwd: 'forward', back: 'back', side: 'side', place: 'place', close: 'close' };
      const [, foot, action = ''] = /^([LR]) (.*)$/.exec(turnless(own[at])) ?? [];
      expect(said.startsWith(`${at + 1} ${foot === 'L' ? 'left' : 'right'} ${way[action as 'fwd']}`)).toBe(
        true,
      );
      expect(said.includes('a quarter left')).toBe(own[at]?.includes('+90') === true);
    }
    const [, same, , turn, without] =
      /The same steps as (\w+)(, from [^;.,]*)?(?:; the turn on ([^.]*) is new|, without the turn on ([^.]*))?\./.exec(
        section,
      ) ?? [];
    if (same !== undefined) {
      const theirs = stepsOf(same);
      expect(theirs.map(turnless)).toEqual(own.map(turnless));
      const differ = own.flatMap((step, at) => (step === theirs[at] ? [] : [at + 1]));
      expect(counts(turn ?? without)).toEqual(differ);
    }
    const [, known, from, fresh] =
      /You know ([^.]*) from (\w+); ([^.]*) (?:is|are) new\./.exec(section) ?? [];
    if (from !== undefined) {
      const theirs = stepsOf(from);
      const differ = own.flatMap((step, at) => (theirs.includes(step) ? [] : [at + 1]));
      for (const at of counts(known)) expect(theirs).toContain(own[at - 1]);
      for (const at of differ) expect(counts(fresh)).toContain(at);
      expect([...counts(known), ...counts(fresh)].sort()).toEqual([1, 2, 3, 4]);
    }
    const needed = namesIn(/You need it for ([^.]*)\./.exec(section)?.[1]);
    for (const other of needed)
      expect(patterns.find(pattern => pattern.name === other)?.needs).toContain(idOf(name));
  }
}

/** `1–2 and 4` as 1, 2, 4. */
function counts(text: string | undefined): readonly number[] {
  return [...(text ?? '').matchAll(/(\d)(?:–(\d))?/g)].flatMap(([, a, b]) => {
    const [first, last] = [Number(a), Number(b ?? a)];
    return Array.from({ length: last - first + 1 }, (_, index) => first + index);
  });
}

/** No sentence twice; parts, hold, count and likeness of a figure stand under its own heading. */
function standsOnce(text: string): void {
  const lines = text
    .split('\n')
    .filter(line => line !== '' && !/^(#|\*\*(Leader|Follower):|\*\w+day)/.test(line));
  const sentences = lines
    .flatMap(line => line.split(/(?<=[.:]) (?=[A-Z*])/))
    .filter(
      sentence =>
        !/^(Danced in|Begins in|Counted|The same steps|You know|The \w+’s part|Both parts as in|As above|Begin anew|It goes on|Tonight its pieces|Its pieces)|^\*\*[\w, ]+\.\*\*$/.test(
          sentence,
        ),
    );
  const twice = sentences.filter(
    (sentence, at) => sentences.indexOf(sentence) !== at && !/^- |:$/.test(sentence),
  );
  expect(twice).toEqual([]);
}

/** Three at most, and danced tonight. */
function practises(text: string, tonight: readonly FigureLog[]): void {
  const home = text.split('## Practise at home\n')[1]?.split('\n## ')[0] ?? '';
  const lines = home.split('\n').filter(line => line.startsWith('- '));
  const listed = (lines.length > 0 ? lines : [home.split(':')[0] ?? '']).flatMap(line => {
    const [names = ''] = line.split(/ with Ivy|: /);
    return namesIn(names).sort((a, b) => names.indexOf(a) - names.indexOf(b));
  });
  expect(listed.length).toBeLessThanOrEqual(3);
  for (const name of listed) expect(tonight.map(({ pattern }) => pattern)).toContain(idOf(name));
}
