import type { Named } from '@map-step/core';

/** What levels, people and rooms of a timetable are called. */
export interface TimetableNames {
  readonly levels: readonly { readonly id: string; readonly name: string; readonly dance: string }[];
  readonly people: Named;
  readonly rooms: Named;
}
