/** What has changed in a studio: no contents; whoever cares reads it again. */
export interface Change {
  /** `check`: the checks and marks of the class that it names. */
  readonly topic:
    | 'course'
    | 'section'
    | 'check'
    | 'material'
    | 'combination'
    | 'draft'
    | 'studio'
    | 'job'
    | 'everything';
  readonly id: string;
  /** The version of a course that the change left: who has that one need not read it again. */
  readonly version?: number;
  /** The number of the newest event of a class that the change left: who knows it reads nothing, others what came after. */
  readonly seq?: number;
}

/** After a gap nobody knows what was missed. */
export const EVERYTHING: Change = { topic: 'everything', id: '' };
