import { readBlock } from '@map-step/core';
import { Node } from '@tiptap/core';

/** A block that is drawn from a figure, as one piece of the text: `{{sheet: wrap}}` on a line of its own. */
export const FigureBlock = Node.create({
  name: 'figureBlock',
  group: 'block',
  atom: true,
  draggable: true,
  addAttributes: () => ({ line: { default: '' } }),
  parseHTML: () => [{ tag: 'figure[data-line]' }],
  renderHTML: ({ node }) => [
    'figure',
    { 'data-line': String(node.attrs['line']) },
    String(node.attrs['line']),
  ],
  markdownTokenName: 'figureBlock',
  markdownTokenizer: {
    name: 'figureBlock',
    level: 'block',
    start: (source: string) => source.search(/^\{\{/m),
    tokenize: (source: string) => {
      const [line] = source.split('\n', 1);
      if (line === undefined || !readBlock(line)) return undefined;
      const raw = source.startsWith(`${line}\n`) ? `${line}\n` : line;
      return { type: 'figureBlock', raw, text: line.trim() };
    },
  },
  parseMarkdown: (token, helpers) => helpers.createNode('figureBlock', { line: token.text ?? '' }),
  renderMarkdown: node => String(node.attrs?.['line'] ?? ''),
});
