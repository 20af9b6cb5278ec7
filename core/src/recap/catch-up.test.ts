import { expect, test } from 'vitest';
import { openLibrary } from '../library/library.ts';
import { course, figure, studio } from '../test/studio.ts';
import { catchUpText } from './catch-up.ts';

const library = openLibrary(
  studio([
    figure('walk', { name: 'Walk' }),
    figure('wrap', {
      name: 'Wrap',
      exit: 'near',
      marks: [
        { kind: 'signal', text: 'The hand rises' },
        { kind: 'caution', text: 'Look round' },
      ],
    }),
    figure('later', { name: 'Later', needs: ['wrap'] }),
  ]),
);
const quay = course(['walk', 'wrap'].map(pattern => ({ pattern, value: 'should' as const })));
const text = catchUpText({
  ...{ course: quay, library, studio: { name: 'Quay', timezone: 'UTC' } },
  ...{ figures: ['wrap'], had: ['walk', 'wrap'], planned: ['walk', 'wrap'] },
});

test('what was missed is told in words, then drawn: hold, count, both parts, signal, caution', () => {
  expect(text).toContain('# Quay 1: what you missed\n\n## Wrap\n\nBegins in **Open**, ends in **Near**.');
  expect(text).toContain('Counted **1 2 3 4**, 4 beats.');
  expect(text).toMatch(/\*\*Leader:\*\* 1 left forward .*\n\n\*\*Follower:\*\* 1 right back/);
  expect(text).toContain('The same steps as Walk.');
  expect(text).toContain('Its signal: the hand rises.');
  expect(text).toContain('{{sheet: wrap}}');
  expect(text).toMatch(/## Take care\n\n\*\*Wrap\.\*\* Look round\.\n\n\*Usual cautions/);
});

test('no other figure has a heading, and none that the class has neither had nor in its plan is named', () => {
  expect(text.match(/^## .*/gm)).toEqual(['## Wrap', '## Take care']);
  expect(text).not.toContain('Later');
});
