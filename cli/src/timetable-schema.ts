import { z } from 'zod';

const word = z.string().min(1).max(80);
const time = z.string().regex(/^(?:[01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'a time such as 19:30');

/** What `timetable` is asked. */
export const timetableFile = z.strictObject({
  classes: z
    .array(z.strictObject({ level: word, times: z.int().min(1).max(20), minutes: z.int().min(15).max(240) }))
    .max(60),
  slots: z.array(z.strictObject({ room: word, day: word, start: time, end: time })).max(60),
  staff: z
    .array(
      z.strictObject({
        person: word,
        levels: z.array(word).max(60),
        free: z.array(z.strictObject({ day: word, from: time, to: time })).max(60),
        most: z.int().min(0).max(60),
      }),
    )
    .max(60)
    .refine(
      staff => new Set(staff.map(({ person }) => person)).size === staff.length,
      'a person stands twice',
    ),
});
