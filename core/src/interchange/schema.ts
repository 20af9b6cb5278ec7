// The shape of `mapstep/1`. Its keys stand in canonical order: what is written follows it.
import { z } from 'zod';
import { parseBeats } from '../model/fraction.ts';

const maybe = z.exactOptional;
const text = z.string().max(10_000);
const name = z.string().min(1).max(200);
const id = z.string().regex(/^[a-z0-9-]{1,64}$/, 'expected an id of a-z, 0-9 and "-", at most 64 characters');
const date = z.iso.date('expected a date such as 2026-03-09');
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'expected a time such as 19:30');
const instant = z.iso.datetime('expected an instant such as 2026-03-09T18:30:00Z');
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
const json = z.record(z.string(), z.json());

const studio = z.strictObject({
  name,
  timezone: z.string().min(1).max(64),
  roles: maybe(z.strictObject({ lead: name, follow: name })),
  counting: maybe(z.enum(['numbers', 'slow-quick', 'words', 'call'])),
  cautions: maybe(z.record(z.string(), text)),
});

const dance = z.strictObject({
  id,
  name,
  roles: z.enum(['pair', 'solo']),
  beatsPerBar: wholeBeats,
  countCycle: wholeBeats,
  slow: beats,
  quick: beats,
  split,
  phrase: wholeBeats,
  tempo: z.array(tempo),
  floor: z.enum(['line', 'slot', 'spot', 'free', 'walls']),
  holds: z.array(
    z.strictObject({
      id,
      name,
      contact: z.enum(['none', 'hand', 'body']),
      rel: maybe(degrees),
      like: maybe(id),
    }),
  ),
  actions: maybe(z.array(z.strictObject({ id, weight: z.enum(['takes', 'none', 'stays']) }))),
  pieces: maybe(z.array(z.strictObject({ id, name, rhythm, steps: text }))),
  stepLengths: maybe(z.record(z.string(), z.number().min(0).max(10))),
});

const level = z.strictObject({ id, dance: id, name, order: z.int(), shortest: maybe(z.number().min(1)) });

export const pattern = z
  .strictObject({
    id,
    dance: id,
    name,
    aliases: maybe(z.array(z.strictObject({ name, school: name }))),
    kind: z.enum(['basic', 'pattern', 'turn', 'drill', 'quality']),
    level: maybe(id),
    rhythm: maybe(z.union([rhythm, z.strictObject({ lead: rhythm, follow: rhythm })])),
    beats: maybe(beats),
    split: maybe(split),
    call: maybe(z.array(z.union([text, z.null()]))),
    parts: maybe(z.union([z.strictObject({ lead: text, follow: text }), z.strictObject({ solo: text })])),
    entry: maybe(z.array(id)),
    exit: maybe(z.union([id, z.array(id).min(1)])),
    holds: maybe(z.array(holdAt)),
    align: maybe(z.array(degrees)),
    turn: maybe(degrees),
    cuts: maybe(z.array(holdAt)),
    tempo: maybe(z.array(tempo)),
    needs: maybe(z.array(id)),
    lookalikes: maybe(z.array(id)),
    variantOf: maybe(id),
    variantWhy: maybe(z.enum(['easier', 'harder', 'ending', 'tempo', 'school'])),
    rank: maybe(z.int()),
    made: maybe(
      z.array(
        z.strictObject({
          pattern: id,
          times: maybe(z.int().min(1)),
          from: maybe(eventIndex),
          to: maybe(eventIndex),
        }),
      ),
    ),
    over: maybe(id),
    claps: maybe(rhythm),
    grades: maybe(z.array(text)),
    elements: maybe(z.array(id)),
    minutes: maybe(minutes),
    overTwoLessons: maybe(z.boolean()),
    marks: maybe(
      z.array(
        z.strictObject({
          event: maybe(eventIndex),
          role: maybe(role),
          kind: z.enum(['cue', 'signal', 'fault', 'caution']),
          text,
          code: maybe(z.string().max(64)),
          cure: maybe(text),
          rescue: maybe(text),
        }),
      ),
    ),
  })
  .check(context => {
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

const element = z.strictObject({
  id,
  dance: maybe(id),
  name,
  strand: z.enum(['rhythm', 'footwork', 'hold', 'lead', 'turn', 'floor', 'quality']),
  minutes,
});

const combination = z.strictObject({
  id,
  name,
  dance: id,
  start: z.strictObject({ hold: id, lead: maybe(foot), solo: maybe(foot) }),
  steps: z.array(
    z.union([
      z.strictObject({ pattern: id, times: maybe(z.int().min(1)), last: maybe(id), note: maybe(text) }),
      z.strictObject({ oneOf: z.array(z.union([id, z.null()])) }),
    ]),
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
  layers: maybe(z.array(layer)),
});

export const course = z.strictObject({
  id,
  dances: z.array(id).min(1),
  level: maybe(id),
  name,
  format: z.enum(['series', 'open']),
  approach: z.enum(['steps-first', 'rhythm-first', 'whole-part-whole', 'one-change']),
  lookalikes: z.enum(['apart', 'together']),
  goal: maybe(z.enum(['social', 'show', 'examination'])),
  weights: maybe(costWeights),
  roles: maybe(z.enum(['one', 'both'])),
  lessons: z
    .array(
      z.strictObject({
        minutes,
        dance: maybe(id),
        swap: maybe(z.boolean()),
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
  items: z.array(courseItem),
  placed: maybe(z.array(placement)),
});

export const section = z.strictObject({
  id,
  course: id,
  room: maybe(id),
  start: clock,
  dates: z.array(date),
  cancelled: maybe(z.array(z.strictObject({ date, why: text }))),
  staff: z.array(z.strictObject({ person: id, from: maybe(date), to: maybe(date), rights: maybe(text) })),
  students: z.array(z.strictObject({ student: id, role, from: maybe(date), to: maybe(date) })),
});

export const log = z.strictObject({
  id: uuid,
  section: id,
  lesson,
  pattern: id,
  result: z.enum(['solid', 'shaky', 'touched', 'not-reached']),
  minutes: maybe(minutes),
  note: maybe(text),
  by: id,
  at: instant,
  replaces: maybe(uuid),
});

export const attendance = z.strictObject({
  id: uuid,
  section: id,
  lesson,
  student: id,
  role,
  here: z.boolean(),
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
  by: id,
  at: instant,
});

export const check = z.strictObject({
  id,
  section: id,
  kind: z.enum(['half-way', 'final']),
  date,
  items: z.array(z.strictObject({ pattern: id, layers: z.array(layer), gate: z.boolean() })),
  marks: z.array(mark),
});

export const student = z.strictObject({ id, name, role });

/** An item of a course, and a mark of a check, as rows that say where they stand. */
export const courseItemRow = courseItem.extend({ course: id });
export const checkMarkRow = mark.extend({ check: id });

/** One studio, whole. */
export const studioDocument = z.strictObject({
  format: z.literal('mapstep/1', 'expected "mapstep/1"'),
  studio,
  dances: maybe(z.array(dance)),
  levels: maybe(z.array(level)),
  patterns: maybe(z.array(pattern)),
  elements: maybe(z.array(element)),
  combinations: maybe(z.array(combination)),
  courses: maybe(z.array(course)),
  rooms: maybe(z.array(z.strictObject({ id, name, length: z.number().min(0), width: z.number().min(0) }))),
  holidays: maybe(z.array(z.strictObject({ from: date, to: date, name }))),
  people: maybe(
    z.array(z.strictObject({ id, name, role: z.enum(['director', 'teacher', 'assistant', 'stand-in']) })),
  ),
  students: maybe(z.array(student)),
  sections: maybe(z.array(section)),
  plans: maybe(
    z.array(
      z.strictObject({
        course: id,
        name,
        by: id,
        at: instant,
        note: maybe(text),
        published: maybe(z.boolean()),
        placed: z.array(placement),
        left: z.array(id),
      }),
    ),
  ),
  logs: maybe(z.array(log)),
  attendance: maybe(z.array(attendance)),
  recaps: maybe(
    z.array(
      z.strictObject({
        section: id,
        lesson,
        audience: z.enum(['students', 'staff']),
        markdown: z.string().max(100_000),
        published: maybe(instant),
        corrects: maybe(text),
      }),
    ),
  ),
  checks: maybe(z.array(check)),
  settings: maybe(json),
  mappings: maybe(json),
  ext: maybe(json),
});
