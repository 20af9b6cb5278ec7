import { expect, test } from 'vitest';
import { hasWholeWords, wholeWords } from './whole-words.ts';

test.each([
  ['Bo', 'Both feet', false],
  ['Bo', 'Bo was late', true],
  ['bo', 'with BO.', true],
  ['José', 'José kam', true],
  ['Jos', 'José kam', false],
  ['Élodie', '(Élodie)', true],
  ['lodie', 'Élodie', false],
  ['Zoë', 'Zoë’s turn', true],
  ['Ида', 'с Идой', false],
  ['Ида', 'это Ида', true],
  ['Al (K.)', 'with Al (K.) again', true],
  ['An-na', 'An-na', true],
])('“%s” in “%s”: %s', (name, text, found) => {
  expect(hasWholeWords(text, name)).toBe(found);
});

test('each place where it stands is replaced, and no part of another word', () => {
  expect('Bo, Both, Bo'.replace(wholeWords('Bo'), 'one')).toBe('one, Both, one');
});
