// What the core works out for requests, each in a thread of the pool and within a deadline of its own.

import type {
  ComingFaultsAnswer,
  FindingsAnswer,
  LevelsAnswer,
  NextTermAnswer,
  RollOverAnswer,
} from '@map-step/contract';
import type {
  BrokenFigure,
  Combination,
  Dance,
  draftRecaps,
  FinishedLesson,
  Issue,
  Material,
  Studio,
  StudioDocument,
} from '@map-step/core';

/** Where a task reads by itself what is too much for the thread that answers. */
export interface OfStudio {
  readonly databaseUrl: string;
  readonly studio: string;
}

/** What was made of rows that a task read; those that cannot be read are named beside it. */
export interface Read<Answer> {
  readonly answer: Answer;
  readonly leftOut: readonly string[];
}

/** What time it is, as the server has it. */
export interface Clock {
  readonly now: Date;
  readonly today?: string;
}

/** The orders and answers of all tasks: plain data, since they go from thread to thread. */
export interface Tasks {
  /** Why a figure cannot stand; it is the first of the document's. */
  'check-figure': { order: StudioDocument; answer: readonly Issue[] };
  'check-dance': { order: { document: StudioDocument; wished: Dance }; answer: readonly BrokenFigure[] };
  'freeze-text': {
    order: {
      markdown: string;
      material: Material;
      combinations: readonly Combination[];
      studio: Pick<Studio, 'roles' | 'counting'>;
    };
    answer: string;
  };
  'draft-recaps': {
    order: Omit<FinishedLesson, 'library'> & { readonly material: Material };
    answer: ReturnType<typeof draftRecaps>;
  };
  'coming-faults': { order: OfStudio & Clock; answer: Read<ComingFaultsAnswer> };
  findings: { order: OfStudio; answer: Read<FindingsAnswer> };
  levels: { order: OfStudio; answer: Read<LevelsAnswer> };
  'next-term': { order: OfStudio & Clock; answer: Read<NextTermAnswer> };
  /** Null for a course that is not there. */
  'roll-over': { order: OfStudio & Clock & { course: string }; answer: Read<RollOverAnswer | null> };
  /** As the bytes of the text. */
  'write-studio': { order: OfStudio; answer: Read<Uint8Array> };
  'write-table': { order: OfStudio & { table: string }; answer: Read<Uint8Array> };
}

export type TaskName = keyof Tasks;
/** Tasks that read a studio by themselves. */
export type ReadingTask =
  | 'coming-faults'
  | 'findings'
  | 'levels'
  | 'next-term'
  | 'roll-over'
  | 'write-studio'
  | 'write-table';
export type OrderOf<Name extends TaskName> = Tasks[Name]['order'];
export type ResultOf<Name extends TaskName> = Tasks[Name]['answer'];

/** How a task is worked out, and what is said when it takes too long. */
export interface TaskTerms {
  /** `aside`: nobody waits for it to go on. */
  readonly kind: 'short' | 'long' | 'aside';
  /** After so many seconds of work it is given up. */
  readonly seconds: number;
  /** What took too long, as a sentence begins, and what makes it shorter. */
  readonly what: string;
  readonly mend: string;
}

const SHORTER_FIGURE =
  'Write it with fewer ways in and out, fewer changes of hold or fewer steps, or as pieces.';

export const TASK_TERMS: Readonly<Record<TaskName, TaskTerms>> = {
  'check-figure': { kind: 'short', seconds: 5, what: 'Checking this figure', mend: SHORTER_FIGURE },
  'check-dance': {
    kind: 'short',
    seconds: 10,
    what: 'Checking the figures of this dance',
    mend: 'Change it in smaller steps.',
  },
  'freeze-text': {
    kind: 'short',
    seconds: 5,
    what: 'Drawing the blocks of this text',
    mend: 'Take out some of its blocks.',
  },
  'draft-recaps': {
    kind: 'short',
    seconds: 20,
    what: 'Drafting the recaps of this lesson',
    mend: 'Finish it once more; what is logged is kept.',
  },
  'coming-faults': {
    kind: 'aside',
    seconds: 10,
    what: 'Looking through the figures of the next week',
    mend: 'Look at each figure in its room.',
  },
  findings: {
    kind: 'aside',
    seconds: 40,
    what: 'Looking for what hurts between the levels',
    mend: 'Look at each course on its Map.',
  },
  levels: {
    kind: 'aside',
    seconds: 20,
    what: 'Reading the levels of the programme',
    mend: 'Look at each course on its Map.',
  },
  'next-term': {
    kind: 'long',
    seconds: 20,
    what: 'Counting who comes to which level next term',
    mend: 'Try again in a minute.',
  },
  'roll-over': {
    kind: 'long',
    seconds: 20,
    what: 'Reading what the classes of this course teach its next one',
    mend: 'Copy the course as it is.',
  },
  'write-studio': {
    kind: 'long',
    seconds: 120,
    what: 'Writing the whole studio into a file',
    mend: 'Whoever runs the server can make a backup.',
  },
  'write-table': {
    kind: 'long',
    seconds: 60,
    what: 'Writing this table',
    mend: 'Whoever runs the server can make a backup.',
  },
};
