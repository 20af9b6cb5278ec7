// @vitest-environment happy-dom
import { act, fireEvent, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { demoStudio, mondayClass, renderInClass } from '../../test/in-course.tsx';
import { MissedByStudents } from './missed.tsx';
import { Promises } from './promises.tsx';
import { Prompter } from './prompter.tsx';
import { Proof } from './proof.tsx';
import { ShotsPage } from './shots-page.tsx';

const inClass = { lesson: 4, inClass: mondayClass() };
const recap = demoStudio.recaps?.find(
  ({ section, lesson, audience }) => section === 'hustle-1-monday' && lesson === 4 && audience === 'students',
);

test('a drafted recap agrees with the figures; a wrong count in it is marked with what is right', async () => {
  const { unmount } = await renderInClass(<Proof text={recap?.markdown ?? ''} />, inClass);
  expect(screen.getByText('Read through: it agrees with the figures')).toBeTruthy();
  unmount();
  await renderInClass(<Proof text={recap?.markdown.replace('3 beats', '4 beats') ?? ''} />, inClass);
  expect(screen.getByText('To look at: 1')).toBeTruthy();
  expect(screen.getByText('4 beats').parentElement?.textContent).toContain('count: 3 beats');
});

test('what the log does not say is marked too, and another text can be read through', async () => {
  await renderInClass(<Proof text={'## New: Hand change\n\nIt went well.'} />, inClass);
  expect(screen.getByText('Hand change').parentElement?.textContent).toContain('the log does not say so');
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Proof-read another text' })));
  const field = screen.getByLabelText('Any text about these dances, spoken words written down too');
  await act(async () => fireEvent.change(field, { target: { value: 'Left turn has 3 beats.' } }));
  expect(await screen.findByText('It agrees with the figures.')).toBeTruthy();
});

test('what was promised and came in another lesson is told', async () => {
  await renderInClass(<Promises />, inClass);
  const [first] = screen.getAllByText(/promised after lesson 3/);
  expect(first?.parentElement?.textContent).toMatch(/Hand change/);
});

test('who was away is offered a link to what they missed', async () => {
  await renderInClass(<MissedByStudents />, inClass);
  expect(screen.getByRole('button', { name: 'Make a link for Jory W' })).toBeTruthy();
  expect(screen.getByText(/missed Left turn/)).toBeTruthy();
});

test('the shot list has the takes of what was new, and the prompter its text without signs', async () => {
  await renderInClass(<ShotsPage />, inClass);
  expect(screen.getByText(/^7 takes, \d+ min \d+ s$/)).toBeTruthy();
  await act(async () => fireEvent.click(screen.getByRole('button', { name: 'Prompter' })));
  expect(screen.getByText('New: Left turn')).toBeTruthy();
});

test('the prompter speaks as long as the takes beside it last: 130 words in 60 seconds', async () => {
  const take = { angle: 'from the front', who: 'both', tempo: 100, repeats: 1 };
  const takes = [
    { ...take, what: 'Walk: once', seconds: 20 },
    { ...take, what: 'Turn: once', seconds: 40 },
  ];
  const text = `# ${'word '.repeat(129)}\\*last\\*`;
  await renderInClass(<Prompter text={text} shots={{ takes, total: 60 }} close={() => undefined} />, inClass);
  expect(screen.getByText('words a minute, 60 s in all')).toBeTruthy();
  expect(screen.getByText(/word \*last\*$/)).toBeTruthy();
  expect(screen.getByRole('list', { name: 'Takes' }).textContent).toContain('Turn: once both, 40 s');
  expect(
    screen
      .getByText(/^Walk: once/)
      .closest('li')
      ?.getAttribute('aria-current'),
  ).toBe('step');
});
