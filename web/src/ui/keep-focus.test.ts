// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, test } from 'vitest';
import { keepFocus } from './keep-focus.ts';

let end: () => void = () => undefined;
beforeEach(() => {
  document.body.innerHTML = '<div id="root"></div>';
});
afterEach(() => end());

function open(html: string): HTMLElement {
  const root = document.getElementById('root') as HTMLElement;
  root.innerHTML = `<main>${html}</main>`;
  end = keepFocus(root);
  return root;
}

const find = (id: string) => document.getElementById(id) as HTMLElement;
const painted = () => new Promise(resolve => requestAnimationFrame(() => requestAnimationFrame(resolve)));

async function whereAfter(change: () => void): Promise<string | undefined> {
  change();
  (document.activeElement as HTMLElement | null)?.isConnected || document.body.focus();
  await painted();
  return document.activeElement?.id || document.activeElement?.tagName;
}

const ROWS = ['a', 'b', 'c'].map(id => `<li id="row-${id}"><button id="${id}">x</button></li>`).join('');

test('a row that is taken away leaves the focus on the next, the last one on the one before', async () => {
  open(`<button id="before">x</button><ul>${ROWS}</ul><button id="after">x</button>`);
  find('b').focus();
  expect(await whereAfter(() => find('row-b').remove())).toBe('c');
  expect(await whereAfter(() => find('row-c').remove())).toBe('a');
  expect(await whereAfter(() => find('row-a').remove())).toBe('after');
});

test('what takes the place of a button has the focus before what stands beside it', async () => {
  open('<section id="part"><button id="plan">x</button><button id="other">x</button></section>');
  find('plan').focus();
  const replace = () => {
    find('plan').remove();
    find('part').insertAdjacentHTML('beforeend', '<button id="stop">x</button>');
  };
  expect(await whereAfter(replace)).toBe('stop');
});

test('what comes later is waited for; a page that took the place of another is begun at its main part', async () => {
  const root = open('<section id="part"><button id="plan">x</button></section>');
  find('plan').focus();
  expect(await whereAfter(() => find('plan').remove())).toBe('BODY');
  expect(
    await whereAfter(() => find('part').insertAdjacentHTML('beforeend', '<button id="late">x</button>')),
  ).toBe('late');
  expect(
    await whereAfter(() => {
      root.innerHTML = '<main><a href="/x" id="first">x</a></main>';
    }),
  ).toBe('MAIN');
});

test('whoever clicks beside everything is left alone', async () => {
  open('<button id="plan">x</button><p id="text"></p>');
  find('plan').focus();
  expect(
    await whereAfter(() => {
      find('plan').blur();
      find('text').textContent = 'changed';
    }),
  ).toBe('BODY');
});
