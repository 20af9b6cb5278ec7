// Every sentence of every recap has a form that is written down here; docs/sentences.md shows each with examples from the demo
// (npx vitest run demo/sentences -u writes it anew).
import {
  draftRecaps,
  finishedLesson,
  type Log,
  type LogResult,
  openLibrary,
  type Studio,
  type StudioDocument,
} from '@map-step/core';
import { expect, test } from 'vitest';
import { tarnStreet } from './tarn-street.ts';

/** A form with what it looks like; `…` stands for a text of a teacher, up to the end of its paragraph. */
const FORMS: readonly (readonly [form: string, looks: RegExp, of?: 'staff'])[] = [
  ['**What the evening was**', /^$/],
  ['Title', /^# .+, lesson \d+ of \d+$/],
  ['Where and when', /^\*[^*]+\*$/],
  ['New', /^Tonight was about [^.]+\./],
  ['Finished', /^(?:Tonight we|We) finished [^.]+\./],
  ['Gone on with', /^(?:Tonight we|We) went on with [^.]+\./],
  ['Begun', /^(?:Tonight we|We also) began [^.]+\./],
  ['Gone over', /^We went over [^.]+ again\./],
  ['Only danced', /^Tonight we danced what we know: [^.]+\./],
  ['Tried ahead', /^For next time we also tried [^.]+\./],
  ['Music', /^We danced to music at [^.]+ beats a minute\./],
  ['Something else', /^(?:We (?!also|went|danced to|finished).+|Something else: .+)$/],
  ['**A figure**', /^$/],
  ['Said of several', /^(?:Both|All) are (?:danced in|counted) [^.]+\./],
  ['Heading', /^## (?:New|Finished|Begun): .+$/],
  ['What it opens', /^You need it for [^.]+\./],
  ['Hold', /^(?:Danced in \*\*|Begins in \*\*)[^.]+\./],
  ['Hands', /^Hands: .+?\.(?= Counted|$)/],
  ['Count', /^Counted \*\*[^*]+\*\*(?: \([^)]+\))?, [\d½ ]+ beats\./],
  ['Another school', /^[^.*]+ counts it \*\*[^*]+\*\*\./],
  ['No count', /^It has no set timing\./],
  ['A part', /^\*\*(?:Leader|Follower|Steps):\*\* .+$/],
  [
    'How it is danced',
    /^(?:Where the head looks|Heel or ball|Rise and fall|Sway|How [^:]+|Which edge [^:]+|Loud and soft)[^:]*: [^.]+\./,
  ],
  ['Made of', /^It is [^.]+, then [^.]+\./],
  ['All the same', /^The same steps as [^.]+\./],
  ['Partly the same', /^You know [^.]+ from [^.]+; [^.]+ (?:is|are) new\./],
  ['One part the same', /^The [^.]+’s part is that of [^.]+\./],
  ['Cue', /^Think of this: .+$/],
  ['Signal', /^(?:Tell it from [^:]+|Its signal): .+$/],
  ['Fault', /^Usual fault: .+$/],
  ['Easier', /^An easier form: [^.]+\./],
  ['Pieces', /^(?:Tonight its pieces; next time they are joined|Its pieces are joined now)\./],
  ['Goes on', /^It goes on from [^.]+ (?:next time|another evening)\./],
  ['**At home**', /^$/],
  ['Heading', /^## Practise at home$/],
  ['All at once', /^[^-].+: (?:your own part alone first|slowly first).+$/],
  [
    'How',
    /^(?:Your own part alone first|Slowly first)[^.]+\.(?: [^.]+ in a row until it meets the phrase\.)?$/,
  ],
  ['One', /^- .+$/],
  ['**What can hurt**', /^$/],
  ['Heading', /^## Take care$/],
  ['Caution', /^\*\*[^*]+\.\*\* .+$/],
  ['**Next time**', /^$/],
  ['Heading', /^## Next time$/],
  ['Plan', /^(?:Next \w+, \d+ \w+|On \w+, \d+ \w+(?:, in \w+ weeks)?|Next time), we [^.]+\./],
  ['Last lesson next', /^(?:It is|(?:Next|On) [^.]+, is) the last lesson: [^.]+\./],
  ['**At the end of a series**', /^$/],
  ['Heading', /^## (?:Everything once|Keep dancing)$/],
  ['Usual count', /^Counted \*\*[^*]+\*\* where nothing else is said\./],
  ['In the order of a combination', /^(?:First as .+ goes\.|And besides:)$/],
  ['Figure', /^### .+$/],
  ['All of it', /^(?:Begin anew\. )?(?:Danced in|Begins in|Counted|\*\*Steps:).+$/],
  ['As before', /^(?:As above|Both parts as in [^.]+)\./],
  ['What to keep', /^[^.]+: [^.]+ builds on (?:it|them)\./],
  ['**For the staff**', /^$/],
  ['Heading', /^## For the staff$/],
  ['What to do first', /^- First next time: go on with .+\.$/, 'staff'],
  ['What moved', /^- The plan has moved.*: .+\.$/, 'staff'],
  ['Who stood in', /^- .+ stood in.*\.$/, 'staff'],
  [
    'Result',
    /^- [^:]+: (?:solid|shaky|touched only|not reached)(?:, \d+ min)?(?:, planned \d+)?\..*$/,
    'staff',
  ],
  ['Not logged', /^- .+: not logged\.$/, 'staff'],
  ['Taken as planned', /^- Nothing was written of lesson \d+: .+$/, 'staff'],
  ['Away', /^- Away: .+$/, 'staff'],
  ['Song', /^- Song: .+$/, 'staff'],
  ['Note', /^- .+$/, 'staff'],
];
const MOST_EXAMPLES = 3;

const COUNTINGS: readonly Studio['counting'][] = ['numbers', 'numbered', 'slow-quick', 'words', 'call'];

/** The demo a week on: what it does not show happens here, so that its sentences are seen too. */
function aWeekOn(): StudioDocument {
  const { logs = [], sections = [], combinations = [], patterns = [] } = tarnStreet;
  const log = (section: string, lesson: number, pattern: string, result: LogResult, at: number): Log => {
    const id = `00000000-0000-4000-8000-9${String(at).padStart(11, '0')}`;
    return { id, section, lesson, pattern, result, by: 'paz-lindmark', at: '2026-03-10T20:00:00Z' };
  };
  return {
    ...tarnStreet,
    patterns: patterns.map(pattern =>
      pattern.id === 'half-time-basic'
        ? { ...pattern, variantWhy: 'easier' }
        : pattern.id === 'left-turn'
          ? {
              ...pattern,
              marks: [...(pattern.marks ?? []), { kind: 'hold', event: 3, text: 'The right hand lets go.' }],
            }
          : pattern,
    ),
    combinations: combinations.flatMap(one => [
      one,
      { ...one, id: 'last', course: 'hustle-1-autumn', lesson: 8 },
    ]),
    sections: sections.map(section =>
      section.id === 'hustle-1-monday'
        ? {
            ...section,
            staff: [...section.staff, { person: 'paz-lindmark', from: '2026-03-09', to: '2026-03-09' }],
          }
        : section,
    ),
    logs: [
      ...logs.filter(({ section, lesson }) => section !== 'hustle-1-thursday' || lesson !== 2),
      log('hustle-1-monday', 5, 'left-turn', 'solid', 1),
      log('quickstep-1-tuesday', 5, 'natural-turn', 'touched', 2),
    ],
  };
}

/** Every recap of the demo, and its first evenings as another house would have them. */
function recaps(): readonly { readonly text: string; readonly isStaff: boolean }[] {
  const of = (document: StudioDocument, most: number) => {
    const library = openLibrary(document);
    return (document.sections ?? []).flatMap(section => {
      const course = document.courses?.find(({ id }) => id === section.course);
      const logged =
        document.logs?.filter(log => log.section === section.id).map(({ lesson }) => lesson) ?? [];
      const last = Math.max(0, ...logged);
      return Array.from({ length: course ? Math.min(last, most) : 0 }, (_, index) => {
        if (!course) throw new Error(section.id);
        return draftRecaps(finishedLesson(document, library, { section, course, lesson: index + 1 }));
      });
    });
  };
  const others = COUNTINGS.slice(1).flatMap(counting =>
    of(
      {
        ...tarnStreet,
        studio: { ...tarnStreet.studio, ...(counting && { counting }) },
        settings: { otherCounts: true },
      },
      1,
    ),
  );
  return [
    ...of(tarnStreet, Number.POSITIVE_INFINITY),
    ...of(aWeekOn(), Number.POSITIVE_INFINITY),
    ...others,
  ].flatMap(({ students, staff }) => [
    { text: students, isStaff: false },
    { text: staff, isStaff: true },
  ]);
}

test('each sentence has a form, each form an example, and docs/sentences.md shows them', async () => {
  const examples = new Map(FORMS.map((_, at) => [at, new Set<string>()]));
  const unknown = new Set<string>();
  for (const { text, isStaff } of recaps()) {
    let isForStaff = false;
    for (const line of text.split('\n').filter(Boolean)) {
      if (line.startsWith('## ')) isForStaff = isStaff && line === '## For the staff';
      for (let rest = line; rest !== ''; ) {
        const at = FORMS.findIndex(
          ([, looks, of]) =>
            String(looks) !== '/^$/' &&
            (of === 'staff') === (isForStaff && rest.startsWith('- ')) &&
            looks.test(rest),
        );
        const [said = ''] = FORMS[at]?.[1].exec(rest) ?? [];
        if (said === '') unknown.add(rest);
        else examples.get(at)?.add(said);
        rest = said === '' ? '' : rest.slice(said.length).trim();
      }
    }
  }
  expect([...unknown]).toEqual([]);
  const lines = FORMS.flatMap(([form, looks], at) => {
    if (String(looks) === '/^$/') return ['', `## ${form.replaceAll('*', '')}`, ''];
    const shortest = [...(examples.get(at) ?? [])].sort((a, b) => a.length - b.length || (a < b ? -1 : 1));
    const shown = shortest.filter((_, index) => index % Math.ceil(shortest.length / MOST_EXAMPLES) === 0);
    return [`- *${form}*`, ...shown.map(one => `  - \`\`${one}\`\``)];
  });
  const bare = FORMS.flatMap(([form, looks], at) =>
    String(looks) !== '/^$/' && examples.get(at)?.size === 0 ? [form] : [],
  );
  expect(bare).toEqual([]);
  const head = [
    '# The sentences of a recap',
    '',
    'Every form that a recap is made of, with examples from the demo studio; written by `demo/sentences.test.ts`, which also fails',
    'where a recap says something in a form that is not here.',
  ];
  await expect(`${[...head, ...lines].join('\n')}\n`).toMatchFileSnapshot('../docs/sentences.md');
});
