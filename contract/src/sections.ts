import { type Audience, type Log, logSchema, type Section, type Student } from '@map-step/core';
import { z } from 'zod';

/** The client names the entry; the server says who wrote it. */
const logEntry = logSchema.omit({ by: true, section: true });
export const logBody = z.strictObject({ logs: z.array(logEntry).min(1).max(200) });

const markdown = z.string().max(100_000);

export const finishBody = z.strictObject({
  logs: z.array(logEntry).max(200),
  recaps: z
    .array(z.strictObject({ audience: z.enum(['students', 'staff']), markdown }))
    .min(1)
    .max(2),
});
export const recapSaveBody = z.strictObject({ seen: z.int().min(1), markdown });
export const recapPublishBody = z.strictObject({ seen: z.int().min(1) });

export type LogEntry = z.infer<typeof logEntry>;
export type FinishBody = z.infer<typeof finishBody>;

export interface RecapAnswer {
  readonly section: string;
  readonly lesson: number;
  readonly audience: Audience;
  readonly version: number;
  readonly markdown: string;
  readonly published: string | null;
  /** Links to it that still work. */
  readonly links: number;
}

export interface SectionAnswer {
  readonly section: Section;
  readonly students: readonly Student[];
  readonly logs: readonly Log[];
  readonly recaps: readonly RecapAnswer[];
}

export interface PublishAnswer {
  readonly recap: RecapAnswer;
  /** The only time the link is told: the server keeps a hash of it. */
  readonly token: string;
  readonly expires: string;
}

/** What a student sees behind a link: no surname, mark or contact. */
export interface ShareAnswer {
  readonly studio: string;
  readonly course: string;
  readonly lesson: number;
  readonly date: string | null;
  readonly markdown: string;
}
