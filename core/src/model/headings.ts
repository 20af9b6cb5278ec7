import { fromMarkdown } from 'mdast-util-from-markdown';

/** A heading of a Markdown text: its words as they are written, and where they and the whole heading stand. */
export interface Heading {
  readonly depth: number;
  readonly title: string;
  readonly titleAt: number;
  /** Where it begins and ends, in characters from the beginning of the text. */
  readonly from: number;
  readonly to: number;
}

/** The headings of a text in order, without those within quotes and lists. Linear in the text. */
export function headingsOf(markdown: string): readonly Heading[] {
  return fromMarkdown(markdown).children.flatMap(node => {
    if (node.type !== 'heading') return [];
    const [first, last] = [node.children[0], node.children.at(-1)];
    const titleAt = offset(first?.position?.start ?? node.position?.end);
    const title = markdown.slice(titleAt, offset(last?.position?.end ?? node.position?.end));
    const { start, end } = node.position ?? {};
    return [{ depth: node.depth, title, titleAt, from: offset(start), to: offset(end) }];
  });
}

function offset(point: { readonly offset?: number | undefined } | undefined): number {
  return point?.offset ?? 0;
}
