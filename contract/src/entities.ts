// The entries of a studio as they stand in answers: the schemas of the file format, under the types of the core.
import {
  type Attendance,
  attendanceSchema,
  type Check,
  type Combination,
  type Course,
  checkSchema,
  combinationSchema,
  courseSchema,
  type Dance,
  danceSchema,
  type Element,
  elementSchema,
  type Json,
  type LessonNote,
  type Level,
  type Log,
  lessonNoteSchema,
  levelSchema,
  logSchema,
  type Pattern,
  type Person,
  type PlanVersion,
  patternSchema,
  personSchema,
  planSchema,
  type Room,
  roomSchema,
  type Section,
  type Student,
  sectionSchema,
  studentSchema,
} from '@map-step/core';
import { z } from 'zod';

export const json: z.ZodType<Json> = z.json();
export const attendance: z.ZodType<Attendance> = attendanceSchema;
export const lessonNote: z.ZodType<LessonNote> = lessonNoteSchema;
export const check: z.ZodType<Check> = checkSchema;
export const combination: z.ZodType<Combination> = combinationSchema;
export const course: z.ZodType<Course> = courseSchema;
export const dance: z.ZodType<Dance> = danceSchema;
export const element: z.ZodType<Element> = elementSchema;
export const level: z.ZodType<Level> = levelSchema;
export const log: z.ZodType<Log> = logSchema;
export const pattern: z.ZodType<Pattern> = patternSchema;
export const person: z.ZodType<Person> = personSchema;
export const plan: z.ZodType<PlanVersion> = planSchema;
export const room: z.ZodType<Room> = roomSchema;
export const section: z.ZodType<Section> = sectionSchema;
export const student: z.ZodType<Student> = studentSchema;

/** A list that nobody changes in place. */
export const list = <Entry extends z.ZodType>(entry: Entry) => z.array(entry).readonly();
export const instant = z.iso.datetime();
export const count = z.int().min(0);
export const version = z.int().min(1);
export const audience = z.enum(['students', 'staff']);
export const changedField = z.strictObject({ field: z.string(), from: json, to: json });
