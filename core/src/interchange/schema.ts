// The shape of `mapstep/3`. Its keys stand in canonical order: what is written follows it.
import { z } from 'zod';
import { FORMAT } from '../model/document.ts';
import { parseBeats } from '../model/fraction.ts';
import { isTimeZone } from '../model/time-zone.ts';

const maybe = z.exactOptional;
/** A list with a bound, as every list here has one. */
const list = <Entry extends z.ZodType>(entry: Entry, most: number) => z.array(entry).max(most);
const MOST_FAULTS = 200;

/** A list that may be long: each entry is read by itself, and nothing more once enough of them are at fault. */
const entries = <Entry extends z.ZodType>(entry: Entry, most: number) =>
  list(z.unknown(), most).transform((given, context) => {
    const read: z.output<Entry>[] = [];
    for (const [index, input] of given.entries()) {
      const one = entry.safeParse(input);
      if (one.success) read.push(one.data);
      else
        for (const issue of one.error.issues)
          context.issues.push({ ...issue, input, path: [index, ...issue.path] } as z.core.$ZodRawIssue);
      if (context.issues.length >= MOST_FAULTS) break;
    }
    return read;
  });
/** A list of ids in which none counts twice. */
const set = <Entry extends z.ZodType<string | number>>(entry: Entry, most: number) =>
  list(entry, most).transform((given): z.output<Entry>[] => [...new Set(given)]);
const text = z.string().max(10_000);
const part = z.string().max(4000);
const name = z.string().min(1).max(200);
const id = z.string().regex(/^[a-z0-9-]{1,64}$/, 'expected an id of a-z, 0-9 and "-", at most 64 characters');
const FIRST_YEAR = '1900';
const LAST_YEAR = '2199';
const isInTime = (value: string) => value.slice(0, 4) >= FIRST_YEAR && value.slice(0, 4) <= LAST_YEAR;
const NOT_IN_TIME = `expected a year from ${FIRST_YEAR} to ${LAST_YEAR}`;
const date = z.iso.date('expected a date such as 2026-03-09').refine(isInTime, NOT_IN_TIME);
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected a time such as 19:30');
const instant = z.iso
  .datetime('expected an instant such as 2026-03-09T18:30:00Z')
  .max(40)
  .refine(isInTime, NOT_IN_TIME);
const uuid = z.guid('expected a UUID');
const minutes = z
  .number()
  .min(0)
  .max(1000)
  .refine(
    value => Number.isInteger(Math.round(value * 1e6) / 1e5),
    'expected minutes with at most one decimal place',
  );
const wholeBeats = z.int().min(1).max(1000);
const beats = z.union([z.number(), z.string()]).refine(value => {
  const parsed = parseBeats(value);
  return parsed.ok && parsed.value > 0;
}, 'expected beats above 0 as a whole number or a fraction such as "1/2", in multiples of 1/48');
const rhythm = z.string().min(1).max(1000);
const degrees = z.int().min(-3600).max(3600);
const lesson = z.int().min(1).max(100);
const eventIndex = z.int().min(0).max(1000);

const role = z.enum(['lead', 'follow', 'solo']);
const foot = z.enum(['L', 'R', 'B']);
const split = z.enum(['straight', 'swung']);
const layer = z.enum(['steps', 'timing', 'partner', 'technique', 'tempo']);
const tempo = z.strictObject({ min: z.number().min(1).max(1000), max: z.number().min(1).max(1000) });
const holdAt = z.strictObject({ event: eventIndex, hold: id });
const MOST_JSON = 1_000_000;
const json = z
  .record(z.string(), z.json())
  .refine(value => JSON.stringify(value).length <= MOST_JSON, `is longer than ${MOST_JSON} characters`);

export const studio = z.strictObject({
  name,
  timezone: z.string().min(1).max(64).refine(isTimeZone, 'expected a time zone such as Europe/London'),
  roles: maybe(z.strictObject({ lead: name, follow: name })),
  counting: maybe(z.enum(['numbers', 'numbered', 'slow-quick', 'words', 'call'])),
  cautions: maybe(z.record(z.string().max(64), text)),
});

/** Where one dancer touches the other. */
const bodyPart = z.enum(['left-hand', 'right-hand', 'back', 'waist', 'shoulder', 'upper-arm', 'neck']);
const span = z
  .tuple([z.number().min(-10).max(10), z.number().min(-10).max(10)])
  .refine(([from, to]) => from <= to, 'expected the lesser number of metres first');
const hold = z.strictObject({
  id,
  name,
  contact: z.enum(['none', 'hand', 'body']),
  rel: maybe(degrees),
  like: maybe(id),
  touch: maybe(
    list(
      z.strictObject({
        lead: bodyPart,
        follow: bodyPart,
        height: maybe(z.enum(['low', 'middle', 'high'])),
      }),
      12,
    ),
  ),
  place: maybe(z.strictObject({ ahead: span, side: span })),
});
const quality = z.strictObject({
  id,
  name,
  layer: z.enum(['feet', 'knees', 'hips', 'body', 'arms', 'head', 'show']),
  words: maybe(list(name, 50)),
});

export const dance = z.strictObject({
  id,
  name,
  roles: z.enum(['pair', 'solo']),
  beatsPerBar: wholeBeats,
  countCycle: wholeBeats,
  school: maybe(name),
  slow: beats,
  quick: beats,
  split,
  phrase: wholeBeats,
  tempo: list(tempo, 20),
  floor: z.enum(['line', 'slot', 'spot', 'free', 'walls']),
  holds: list(hold, 100),
  qualities: maybe(list(quality, 50)),
  actions: maybe(list(z.strictObject({ id, weight: z.enum(['takes', 'none', 'stays']) }), 100)),
  pieces: maybe(list(z.strictObject({ id, name, rhythm, steps: part }), 300)),
  stepLengths: maybe(z.record(z.string().max(64), z.number().min(0).max(10))),
});

export const level = z.strictObject({
  id,
  dance: id,
  name,
  order: z.int(),
  shortest: maybe(z.number().min(1)),
});

const MOST_FIGURE = 60_000;
const MOST_WAYS = 100;

/** A figure under somebody's hands: of the right shape, though it may not be whole yet. */
export const unfinishedPattern = z
  .strictObject({
    id,
    dance: id,
    name,
    aliases: maybe(list(z.strictObject({ name, school: name }), 30)),
    kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
    level: maybe(id),
    rhythm: maybe(z.union([rhythm, z.strictObject({ lead: rhythm, follow: rhythm })])),
    beats: maybe(beats),
    split: maybe(split),
    cycle: maybe(wholeBeats),
    otherCounts: maybe(list(z.strictObject({ school: name, rhythm, beats: maybe(beats) }), 10)),
    call: maybe(list(z.union([name, z.null()]), 300)),
    parts: maybe(z.union([z.strictObject({ lead: part, follow: part }), z.strictObject({ solo: part })])),
    entry: maybe(set(id, 60)),
    exit: maybe(
      z.union([
        id,
        list(id, 60)
          .min(1)
          .transform(given => [...new Set(given)]),
      ]),
    ),
    holds: maybe(list(holdAt, 300)),
    align: maybe(set(degrees, 16)),
    turn: maybe(degrees),
    cuts: maybe(list(z.strictObject({ event: eventIndex, hold: maybe(id) }), 300)),
    tempo: maybe(list(tempo, 20)),
    needs: maybe(set(id, 100)),
    lookalikes: maybe(set(id, 100)),
    variantOf: maybe(id),
    variantWhy: maybe(z.enum(['easier', 'harder', 'ending', 'tempo', 'school'])),
    rank: maybe(z.int()),
    made: maybe(
      list(
        z.strictObject({
          pattern: id,
          times: maybe(z.int().min(1).max(100)),
          from: maybe(eventIndex),
          to: maybe(eventIndex),
          side: maybe(z.enum(['other', 'mirrored'])),
          last: maybe(id),
        }),
        100,
      ),
    ),
    over: maybe(id),
    claps: maybe(rhythm),
    grades: maybe(list(text, 50)),
    tracks: maybe(
      list(
        z.strictObject({
          quality: id,
          role: maybe(role),
          values: list(z.union([z.string().max(60), z.null()]), 300),
        }),
        60,
      ),
    ),
    elements: maybe(set(id, 100)),
    minutes: maybe(minutes),
    overTwoLessons: maybe(z.boolean()),
    difficulty: maybe(z.strictObject({ points: z.number().min(0).max(1000), why: name })),
    retired: maybe(z.boolean()),
    marks: maybe(
      list(
        z.strictObject({
          event: maybe(eventIndex),
          role: maybe(role),
          kind: z.enum(['cue', 'signal', 'fault', 'caution', 'hold']),
          text,
          code: maybe(z.string().max(64)),
          cure: maybe(text),
          rescue: maybe(text),
        }),
        100,
      ),
    ),
  })
  .refine(value => JSON.stringify(value).length <= MOST_FIGURE, {
    message: `is longer than ${MOST_FIGURE} characters altogether`,
  })
  .refine(({ entry = [], exit }) => entry.length * (Array.isArray(exit) ? exit.length : 1) <= MOST_WAYS, {
    message: `has more than ${MOST_WAYS} ways through: every way in with every way out counts`,
    path: ['entry'],
  });

export const pattern = unfinishedPattern.check(context => {
  const { kind, parts, ...rest } = context.value;
  if (kind === 'drill' || kind === 'quality') return;
  const isSolo = parts !== undefined && 'solo' in parts;
  const asked = isSolo ? (['rhythm'] as const) : (['rhythm', 'entry', 'exit'] as const);
  for (const key of asked)
    if (rest[key] === undefined)
      context.issues.push({
        code: 'custom',
        path: [key],
        input: undefined,
        message: `a ${kind} needs "${key}"`,
      });
  if (parts === undefined)
    context.issues.push({
      code: 'custom',
      path: ['parts'],
      input: undefined,
      message: `a ${kind} needs "parts"`,
    });
});

export const element = z.strictObject({
  id,
  dance: maybe(id),
  name,
  strand: z.enum(['rhythm', 'footwork', 'hold', 'lead', 'turn', 'floor', 'quality']),
  minutes,
});

/** A figure, or its head or tail at a cut. */
const danced = z
  .string()
  .regex(
    /^[a-z0-9-]{1,64}(:(head|tail)-\d{1,3})?$/,
    'expected the id of a figure, or of its half at a cut: "wrap:head-4", "wrap:tail-4"',
  );

export const combination = z.strictObject({
  id,
  name,
  dance: id,
  course: maybe(id),
  lesson: maybe(z.int().min(1).max(100)),
  start: z.strictObject({
    ...{ hold: maybe(id), lead: maybe(foot), follow: maybe(foot), solo: maybe(foot) },
    facing: maybe(z.int().min(-360).max(360)),
  }),
  steps: list(
    z.union([
      z.strictObject({
        pattern: danced,
        times: maybe(z.int().min(1).max(32)),
        last: maybe(danced),
        note: maybe(text),
      }),
      z.strictObject({ oneOf: list(z.union([danced, z.null()]), 50) }),
    ]),
    300,
  ),
  end: z.enum(['same', 'opposite', 'free']),
});

const weight = maybe(z.number().min(0).max(1_000_000));
/** The weights of the plan's cost that a course changes. */
export const costWeights = z.strictObject({
  must: weight,
  should: weight,
  could: weight,
  level: weight,
  largest: weight,
  lookalike: weight,
  mix: weight,
  order: weight,
  stuck: weight,
  ahead: weight,
  moved: weight,
});
const placement = z.strictObject({ pattern: id, lesson });

const courseItem = z.strictObject({
  pattern: id,
  value: z.enum(['must', 'should', 'could']),
  pin: maybe(lesson),
  from: maybe(lesson),
  to: maybe(lesson),
  gate: maybe(z.boolean()),
  layers: maybe(list(layer, 10)),
});

export const course = z.strictObject({
  id,
  dances: set(id, 20).refine(ids => ids.length > 0, 'names no dance'),
  level: maybe(id),
  name,
  format: z.enum(['series', 'open']),
  approach: z.enum(['steps-first', 'rhythm-first', 'whole-part-whole', 'one-change']),
  lookalikes: z.enum(['apart', 'together']),
  ahead: maybe(z.boolean()),
  along: maybe(z.boolean()),
  goal: maybe(z.enum(['social', 'show', 'examination'])),
  weights: maybe(costWeights),
  roles: maybe(z.enum(['one', 'both'])),
  lessons: z
    .array(
      z.strictObject({
        minutes,
        dance: maybe(id),
        swap: maybe(z.boolean()),
        again: maybe(set(id, 60)),
        fixed: z.strictObject({
          arrive: minutes,
          warmUp: maybe(minutes),
          recall: maybe(minutes),
          combine: minutes,
          dance: minutes,
          check: maybe(minutes),
          recap: minutes,
        }),
      }),
    )
    .min(1)
    .max(100),
  items: list(courseItem, 500),
  placed: maybe(list(placement, 500)),
  placedAhead: maybe(set(id, 500)),
});

export const section = z.strictObject({
  id,
  course: id,
  room: maybe(id),
  start: clock,
  dates: list(date, 100),
  cancelled: maybe(list(z.strictObject({ date, why: text }), 100)),
  staff: list(z.strictObject({ person: id, from: maybe(date), to: maybe(date), rights: maybe(text) }), 100),
  students: list(z.strictObject({ student: id, role, from: maybe(date), to: maybe(date) }), 1000),
});

export const logEntry = z.strictObject({
  id: uuid,
  section: id,
  lesson,
  pattern: maybe(id),
  element: maybe(id),
  result: z.enum(['solid', 'shaky', 'touched', 'not-reached']),
  minutes: maybe(minutes),
  note: maybe(text),
  by: id,
  at: instant,
  replaces: maybe(uuid),
});

type OfOne<Entry> = Omit<Entry, 'pattern' | 'element'> &
  ({ pattern: string; element?: never } | { element: string; pattern?: never });

/** A log is of a figure, or of an element that was taught ahead: never of both. */
export const ofOne = <Entry extends z.ZodType<{ pattern?: string; element?: string }>>(entry: Entry) =>
  entry.refine(
    ({ pattern, element }) => (pattern === undefined) !== (element === undefined),
    'expected a "pattern", or an "element" that was taught ahead',
  ) as unknown as z.ZodType<OfOne<z.output<Entry>>>;

export const log = ofOne(logEntry);

export const attendance = z.strictObject({
  id: uuid,
  section: id,
  lesson,
  student: id,
  role,
  here: z.boolean(),
  late: maybe(z.boolean()),
  by: id,
  at: instant,
  replaces: maybe(uuid),
});

export const lessonNote = z.strictObject({
  id: uuid,
  section: id,
  lesson,
  kind: z.enum(['note', 'else', 'song']),
  text,
  tempo: maybe(z.number().min(20).max(400)),
  split: maybe(split),
  by: id,
  at: instant,
  replaces: maybe(uuid),
});

export const mark = z.strictObject({
  id: uuid,
  student: id,
  role,
  pattern: id,
  layer,
  mark: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  with: maybe(id),
  quality: maybe(id),
  remark: maybe(z.string().max(500)),
  lookAgain: maybe(z.boolean()),
  by: id,
  at: instant,
});

export const check = z.strictObject({
  id,
  section: id,
  kind: z.enum(['half-way', 'final']),
  date,
  items: list(z.strictObject({ pattern: id, layers: list(layer, 10), gate: z.boolean() }), 500),
  marks: list(mark, 200_000),
});

export const student = z.strictObject({ id, name, role });

/** An item of a course, and a mark of a check, as rows that say where they stand. */
export const courseItemRow = courseItem.extend({ course: id });
export const checkMarkRow = mark.extend({ check: id });

export const plan = z.strictObject({
  course: id,
  name,
  by: id,
  at: instant,
  note: maybe(text),
  published: maybe(z.boolean()),
  items: maybe(list(courseItem, 500)),
  placed: list(placement, 500),
  ahead: maybe(set(id, 500)),
  left: set(id, 500),
});

/** Quotes and lists in one another, by their signs or by how far a line is set in: whoever draws them goes as deep as they nest. */
const TOO_DEEP = /^(?:[ \t]*(?:>|[-*+]|\d{1,9}[.)])){21}|^(?: {4}| {0,3}\t){21}/m;
const BLOCK_LINE = /^[ \t]*\{\{/gm;
/** Drawings from figures in one text. */
export const MOST_BLOCKS = 40;
export const markdown = z
  .string()
  .max(100_000)
  .refine(value => !TOO_DEEP.test(value), 'nests quotes and lists deeper than 20 levels')
  .refine(
    value => (value.match(BLOCK_LINE)?.length ?? 0) <= MOST_BLOCKS,
    `holds more than ${MOST_BLOCKS} blocks drawn from figures`,
  );

export const recap = z.strictObject({
  section: id,
  lesson,
  audience: z.enum(['students', 'staff']),
  markdown,
  promises: maybe(list(id, 100)),
  published: maybe(instant),
  corrects: maybe(text),
});

const metres = z.number().min(0).max(1000);
export const room = z.strictObject({ id, name, length: metres, width: metres });

export const person = z.strictObject({
  id,
  name,
  role: z.enum(['director', 'teacher', 'assistant', 'stand-in']),
});

/** One studio, whole. */
export const studioDocument = z.strictObject({
  format: z.literal(FORMAT, `expected "${FORMAT}"`),
  studio,
  dances: maybe(entries(dance, 200)),
  levels: maybe(entries(level, 1_000)),
  patterns: maybe(entries(pattern, 50_000)),
  elements: maybe(entries(element, 5_000)),
  combinations: maybe(entries(combination, 5_000)),
  courses: maybe(entries(course, 5_000)),
  rooms: maybe(entries(room, 10_000)),
  holidays: maybe(entries(z.strictObject({ from: date, to: date, name }), 1000)),
  people: maybe(entries(person, 5000)),
  students: maybe(entries(student, 200_000)),
  sections: maybe(entries(section, 20_000)),
  plans: maybe(entries(plan, 100_000)),
  logs: maybe(entries(log, 2_000_000)),
  attendance: maybe(entries(attendance, 2_000_000)),
  notes: maybe(entries(lessonNote, 1_000_000)),
  recaps: maybe(entries(recap, 500_000)),
  checks: maybe(entries(check, 50_000)),
  settings: maybe(json),
  mappings: maybe(json),
  ext: maybe(json),
});
