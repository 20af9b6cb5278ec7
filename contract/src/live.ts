/** What has changed in a studio: ids only; whoever cares reads it again. */
export interface Change {
  readonly topic: 'course' | 'section' | 'material' | 'job' | 'everything';
  readonly id: string;
}

/** After a gap nobody knows what was missed. */
export const EVERYTHING: Change = { topic: 'everything', id: '' };
