import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Dance, Pattern } from '../model/document.ts';
import { readWrittenFigure } from '../steps/figure.ts';
import { cellWords } from '../steps/words.ts';
import { dance, figure } from '../test/studio.ts';
import { writeSheetSvg } from './write-svg.ts';

const draw = (more: Partial<Pattern> = {}, inDance: Partial<Dance> = {}) =>
  writeSheetSvg(readWrittenFigure(figure('a', more), { ...dance, ...inDance }).figure, {
    lead: 'First',
    follow: 'Second',
  });

/** The names of elements still open at the end, or undefined where they do not nest. */
function openElements(drawing: string): readonly string[] | undefined {
  const open: string[] = [];
  for (const [, end, name = '', rest = ''] of drawing.matchAll(/<(\/?)([a-z]+)([^<>]*)>/g)) {
    if (end) {
      if (open.pop() !== name) return undefined;
    } else if (!rest.endsWith('/')) open.push(name);
  }
  return open;
}

const words = (drawing: string) =>
  [...drawing.matchAll(/<text [^>]*>([^<]*)<\/text>/g)].map(([, text]) => text);

describe('a step sheet as a drawing', () => {
  test('has the counts, the calls, a row a role by the house’s names, and the hold', () => {
    const drawing = draw({ name: 'Pier walk', exit: 'near' });
    expect(openElements(drawing)).toEqual([]);
    expect(words(drawing)).toEqual(
      expect.arrayContaining([
        'Pier walk',
        '1',
        '2',
        'Q',
        'First',
        'Second',
        'L forward',
        'R back',
        'Open; ends Near',
      ]),
    );
  });

  test('says the turn before and after a step apart, as the screen does', () => {
    const turned = { rhythm: '1 2', parts: { lead: 'L +90 side -90, R close', follow: 'opposite' } };
    const drawing = draw(turned);
    expect(words(drawing).join(' ')).toContain('L side quarter left, then step then quarter right');
    const { figure: read } = readWrittenFigure(figure('a', turned), dance);
    const step = read.parts[0]?.steps[0]?.step;
    expect(step && cellWords(step)).toEqual(['side', 'quarter left, then step', 'then quarter right']);
  });

  test('the words of a cell do not reach into the next, and no row is lower than its fullest cell', () => {
    const drawing = draw({
      rhythm: '1&2',
      parts: { lead: 'L -180 fwd small +180, R close, L side', follow: 'opposite' },
    });
    const texts = [...drawing.matchAll(/<text x="([\d.]+)" y="([\d.]+)" font-size="12"[^>]*>([^<]*)</g)];
    for (const [, , , text = ''] of texts.filter(([, x]) => Number(x) < 168))
      expect(text.length).toBeLessThanOrEqual(10);
    expect(Math.max(...texts.map(([, , y]) => Number(y)))).toBeLessThan(
      Number(/height="(\d+)"/.exec(drawing)?.[1]),
    );
  });

  test('columns are as wide as their beats: a half has half of a whole', () => {
    const drawing = draw({ rhythm: '1&2', parts: { lead: 'L side, R close, L side', follow: 'opposite' } });
    const [one = 0, and = 0, two = 0] = [...drawing.matchAll(/<path d="M(\d+) 40V/g)].map(([, x]) =>
      Number(x),
    );
    const width = Number(/width="(\d+)"/.exec(drawing)?.[1]);
    expect([and - one, two - and, width - two]).toEqual([72, 72, 144]);
  });

  test('a long figure breaks into lines of whole bars, each with its rows and its hold', () => {
    const steps = Array.from({ length: 20 }, (_, index) => (index % 2 ? 'R fwd' : 'L fwd'));
    const rhythm = '1e&a2e&a3e&a4e&a 5 6 7 8';
    const drawing = draw({
      rhythm,
      parts: { lead: steps.join(', '), follow: 'opposite' },
      holds: [{ event: 16, hold: 'near' }],
      exit: 'near',
    });
    expect(openElements(drawing)).toEqual([]);
    const told = words(drawing).filter(text => /^(First|Open|Near)/.test(text ?? ''));
    expect(told).toEqual(['First', 'Open', 'First', 'Near; ends Near']);
  });

  test('rests, own steps and turns are told', () => {
    const drawing = draw({
      rhythm: '1 2 3 (4)',
      parts: { lead: 'L fwd, R fwd small, L close +180', follow: 'R back, L side, R close +180' },
    });
    expect(words(drawing)).toEqual(expect.arrayContaining(['(4)', 'rest', 'small', 'own step']));
    expect(words(drawing).join(' ')).toContain('then half left');
    expect(drawing).toContain('url(#own-follow)');
  });

  test('a solo figure without timing and one without steps are drawn too', () => {
    expect(words(draw({ rhythm: 'free', parts: { solo: 'L tap, L close' } }, { roles: 'solo' }))).toContain(
      'L tap',
    );
    const { rhythm: _rhythm, parts: _parts, ...quality } = figure('a', { kind: 'quality' });
    expect(openElements(writeSheetSvg(readWrittenFigure(quality, dance).figure))).toEqual([]);
  });

  test('whatever a figure is called, the drawing stays sound', () => {
    fc.assert(
      fc.property(fc.string(), name => {
        const drawing = draw({ name });
        expect(openElements(drawing)).toEqual([]);
        expect(drawing).not.toMatch(/&(?!amp;|lt;|gt;|quot;)/);
      }),
      { seed: 81, numRuns: 200 },
    );
  });
});

test('its tracks stand below the hold, from the feet upward, each word under its count', () => {
  const drawing = draw(
    {
      tracks: [
        { quality: 'gaze', role: 'lead', values: ['partner'] },
        { quality: 'foot', values: [null, 'heel'] },
      ],
    },
    {
      qualities: [
        { id: 'gaze', name: 'Gaze', layer: 'head' },
        { id: 'foot', name: 'Foot', layer: 'feet' },
      ],
    },
  );
  expect(openElements(drawing)).toEqual([]);
  expect(words(drawing).slice(-4)).toEqual(['Foot', 'heel', 'Gaze, First', 'partner']);
});
