import type { RecapAnswer, RecapDetail } from '@map-step/contract';
import type { QueryClient } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { keys, sectionQuery } from './course-queries.ts';

type RecapKey = Pick<RecapAnswer, 'section' | 'lesson' | 'audience'>;

export interface RecapText {
  readonly markdown: string;
}

/** The text of one recap as people change it. */
export function recapAggregate(params: RecapKey): Aggregate<RecapDetail, RecapText> {
  return {
    key: keys.recap(params),
    read: () => call('recap.read', { params }),
    send: command => call('recap.command', { params, body: { command }, outlives: true }),
    bodyOf: ({ recap: { markdown } }) => ({ markdown }),
    withBody: (answer, body) => ({ ...answer, recap: { ...answer.recap, ...body } }),
    versionOf: ({ recap }) => recap.version,
    historyOf: ({ history }) => history,
    onSaved: (client, { recap }) => putIntoClass(client, recap),
  };
}

/** What is known of the class holds its recaps too. */
export function putIntoClass(client: QueryClient, saved: RecapAnswer): void {
  client.setQueryData(
    sectionQuery(saved.section).queryKey,
    answer =>
      answer && {
        ...answer,
        recaps: answer.recaps.map(other =>
          other.lesson === saved.lesson && other.audience === saved.audience ? saved : other,
        ),
      },
  );
}
