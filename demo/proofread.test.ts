import { readFileSync } from 'node:fs';
import { openLibrary, proofread, readDocument, type SlipKind } from '@map-step/core';
import { describe, expect, test } from 'vitest';
import { tarnStreet } from './tarn-street.ts';

const library = openLibrary(tarnStreet);
const read = (text: string, dances: readonly string[] = ['hustle']) =>
  proofread(text, { library, studio: tarnStreet.studio, dances, lesson: 4, of: 8 });

const RIGHT = `## New: Right turn

Begins in **One hand** or **Two hands**, ends in **One hand**.

Counted **& 1 2 3**, 3 beats.

**Leader:** & left back ball · 1 right diagonally forward · 2 left forward, then quarter left · 3 right forward, then quarter left

**Follower:** & right back ball · 1 left forward · 2 right forward, then quarter right · 3 left back, turning quarter right
`;
const under = (line: string) => `## New: Right turn\n\n${line}\n`;

describe('a planted slip is found at its place', () => {
  test.each<[SlipKind, string, string, string[]?]>([
    ['week', '# Hustle 1, lesson 5 of 8', 'lesson 5 of 8'],
    ['week', '*Hustle · week 4 of 9*', 'week 4 of 9'],
    ['name', '## New: Rihgt turn', 'Rihgt turn'],
    ['name', '## New: Moonstep', 'Moonstep'],
    ['name', 'We began with Cros-over and it went well.', 'Cros-over'],
    ['name', '- Handshake pas', 'Handshake pas'],
    ['name', 'Next week: Hammerlok.', 'Hammerlok'],
    ['count', RIGHT.replace('3 beats', '4 beats'), '4 beats'],
    ['count', RIGHT.replace('& 1 2 3**', '1 2 3 4**'), '1 2 3 4'],
    ['count', under('It has five steps.'), 'has five steps'],
    ['count', under('Count it 1 2 3 4 aloud.'), '1 2 3 4'],
    ['count', RIGHT.replace('2 left forward', '4 left forward'), '4 left forward, then quarter left'],
    ['foot', RIGHT.replace('1 right diag', '1 left diag'), '1 left diagonally forward'],
    ['foot', RIGHT.replace('& right back ball', '& left back ball'), '& left back ball'],
    ['foot', under('On 1 the leader’s left foot goes forward.'), 'left foot'],
    ['foot', under('The follower: on 2 the left foot goes forward.'), 'left foot'],
    [
      'side',
      RIGHT.replace('2 left forward', '2 left cross behind'),
      '2 left cross behind, then quarter left',
    ],
    ['side', RIGHT.replace('2 right forward', '2 right side'), '2 right side, then quarter right'],
    ['side', under('On 2 the follower steps back.'), 'steps back'],
    ['side', '## New: Wrap\n\nThe follower ends on the leader’s left side.', 'left'],
    [
      'turn',
      RIGHT.replace('2 left forward, then quarter left', '2 left forward, then quarter right'),
      '2 left forward, then quarter right',
    ],
    [
      'turn',
      RIGHT.replace('back, turning quarter right', 'back, turning half right'),
      '3 left back, turning half right',
    ],
    ['turn', under('The follower makes a half turn to the left.'), 'half turn to the left'],
    ['turn', under('The follower makes a full turn to the right.'), 'full turn to the right'],
    ['turn', under('The leader turns right on it.'), 'turns right'],
    ['hold', RIGHT.replace('ends in **One hand**', 'ends in **Two hands**'), 'Two hands'],
    ['hold', under('It begins in Wrap.'), 'Wrap'],
    ['repeat', '## New: Side basic\n\nDanced four times it fills the phrase.', 'four times'],
    [
      'repeat',
      '## New: Natural turn\n\nDanced three times it faces the line again.',
      'three times',
      ['quickstep'],
    ],
    ['count', '## New: Natural turn\n\nSay quick slow quick slow.', 'quick slow quick slow', ['quickstep']],
  ])('%s: %#', (kind, text, said, dances) => {
    expect(read(text, dances).map(slip => [slip.kind, slip.said])).toContainEqual([kind, said]);
    for (const { from, to, said: found } of read(text, dances)) expect(text.slice(from, to)).toBe(found);
    expect(read(text, dances)).toHaveLength(1);
  });
});

describe('what is true raises no alarm', () => {
  test.each<[string, string[]?]>([
    [RIGHT],
    ['# Hustle 1, lesson 4 of 8'],
    ['Next week we go on; in lesson 2 we had the basics.'],
    [under('Quick quick, and then the other side.')],
    [under('Say it: and one, two, three.')],
    [under('It has four steps, over 3 beats.')],
    [under('At 112 beats a minute it is easy; try 124 beats a minute at home.')],
    [under('Dance it 4 times, then rest for 8 beats a minute or two.')],
    [under('On 2 the follower steps forward.')],
    [under('On 1 the right foot of the leader goes forward.')],
    [under('The follower makes a half turn to the right in two quarters.')],
    [under('A quarter right, and a quarter right again.')],
    [under('The leader turns left under nobody’s arm.')],
    [under('Begins in One hand; it ends in One hand too.')],
    [under('Tell it from Left turn: the hand goes up on the other side on 1.')],
    [under('As in Rotating basic the first two counts; then turn right.')],
    [under('Harbour hall counts it & 3 1 2.')],
    [under('1 2 3, 2 2 3, 3 2 3, 4 2 3: so you keep track of four of them.')],
    ['## Reviewed\n\n- Left turns, right turns and a free spin'],
    ['We danced throw out and cross over; the gather comes next week.'],
    ['Bring water and flat shoes. The door code is 2 2 4 6.'],
    ['## New: Side basic\n\nEight times fill the phrase and the hold comes round.'],
    ['## New: Wrap\n\nThe follower ends on the leader’s right side.'],
    ['## New: Wrap\n\nBegins in Two hands, ends in Wrap.'],
    [
      '## New: Natural turn\n\nSlow quick quick, slow slow. Twice and it faces the line again.',
      ['quickstep'],
    ],
    ['## New: Natural turn\n\nThe leader: quick quick slow, then the other half.', ['quickstep']],
    ['## New: Natural turn\n\nS Q Q S S over 8 beats.', ['quickstep']],
    ['## New: Walking flaps\n\nCounted & 1 & 2 & 3 & 4, slowly.', ['tap']],
    ['## New: Walking flaps\n\nThe left foot follows the right, always a brush before the step.', ['tap']],
    ['Somebody turned left at the bakery and was ten minutes late, in lesson 1 of another course.'],
  ])('%#', (text, dances) => {
    expect(read(text, dances)).toEqual([]);
  });

  test('none of the recaps that are drafted for the demo', () => {
    const built = readDocument(readFileSync(new URL('tarn-street.json', import.meta.url), 'utf8'));
    if (!built.ok) throw new Error('the demo cannot be read');
    const { recaps = [], sections = [], courses = [] } = built.value;
    expect(recaps.length).toBeGreaterThan(0);
    const found = recaps.flatMap(({ section: id, lesson, markdown }) => {
      const section = sections.find(one => one.id === id);
      const course = courses.find(one => one.id === section?.course);
      return proofread(markdown, {
        ...{ library, studio: tarnStreet.studio, lesson },
        dances: course?.dances ?? [],
        of: course?.lessons.length ?? 0,
      }).map(slip => [id, lesson, slip.kind, slip.said, slip.meant]);
    });
    expect(found).toEqual([]);
  });
});
