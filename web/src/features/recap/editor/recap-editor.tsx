import { chakra } from '@chakra-ui/react';
import { figureName, freezeBlocks, isOffered, printBlock, type RecapBlockKind } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import {
  type Editor,
  EditorContent,
  type NodeViewProps,
  NodeViewWrapper,
  ReactNodeViewRenderer,
  useEditor,
  useEditorState,
} from '@tiptap/react';
import { useEffect, useRef, useState } from 'react';
import { Choice } from '../../../ui/choice.tsx';
import { Markdown } from '../../../ui/markdown.tsx';
import { Button } from '../../../ui/parts.tsx';
import { Pick } from '../../../ui/pick.tsx';
import { combinationsQuery } from '../../combine/combination-queries.ts';
import { useCourse } from '../../course/course-context.ts';
import { EXTENSIONS } from './extensions.ts';
import { FigureBlock } from './figure-block.ts';
import { forEditor, fromEditor } from './markdown-text.ts';

const DRAWN = [
  ...EXTENSIONS.filter(extension => extension !== FigureBlock),
  FigureBlock.extend({ addNodeView: () => ReactNodeViewRenderer(BlockView) }),
];

const Page = chakra('div', {
  base: {
    bg: 'panel',
    border: '1.5px solid',
    borderColor: 'line',
    px: '4',
    py: '3',
    minH: '24rem',
    '& .ProseMirror': {
      outline: 'none',
      whiteSpace: 'pre-wrap',
      overflowWrap: 'break-word',
      lineHeight: '1.55',
    },
    '&:focus-within': { borderColor: 'now' },
    '& h1': { fontSize: 'xl', mb: '2' },
    '& h2': { fontSize: 'lg', mt: '4', mb: '1.5' },
    '& p': { mb: '2' },
    '& ul, & ol': { pl: '5', mb: '2' },
    '& li p': { mb: '0' },
    '& .ProseMirror-selectednode': { outline: '2px solid', outlineColor: 'now' },
  },
});

interface RecapEditorProps {
  readonly text: string;
  readonly mayWrite: boolean;
  write(text: string): void;
}

/** The text of a recap as it is read, to be written in; Markdown underneath. */
export function RecapEditor({ text, mayWrite, write }: RecapEditorProps) {
  const last = useRef(text);
  const editor = useEditor({
    extensions: DRAWN,
    content: forEditor(text),
    contentType: 'markdown',
    editable: mayWrite,
    injectCSS: false,
    editorProps: { attributes: { role: 'textbox', 'aria-label': 'Text', 'aria-multiline': 'true' } },
    onUpdate: ({ editor: changed }) => {
      last.current = fromEditor(changed);
      write(last.current);
    },
  });
  useEffect(() => {
    if (text === last.current) return;
    last.current = text;
    editor.commands.setContent(forEditor(text), { contentType: 'markdown', emitUpdate: false });
  }, [text, editor]);
  return (
    <chakra.div display="grid" gap="2">
      {mayWrite && <Tools editor={editor} />}
      <Page>
        <EditorContent editor={editor} />
      </Page>
    </chakra.div>
  );
}

function Tools({ editor }: { editor: Editor }) {
  const active = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive('bold'),
      heading: now.isActive('heading', { level: 2 }),
      list: now.isActive('bulletList'),
    }),
  });
  const tool = (word: string, isOn: boolean, run: () => void) => (
    <Button size="small" aria-pressed={isOn} onClick={run}>
      {word}
    </Button>
  );
  return (
    <chakra.div
      role="toolbar"
      aria-label="How the text looks"
      display="flex"
      gap="1.5"
      flexWrap="wrap"
      alignItems="end"
    >
      {tool('Bold', active.bold, () => editor.chain().focus().toggleBold().run())}
      {tool('Heading', active.heading, () => editor.chain().focus().toggleHeading({ level: 2 }).run())}
      {tool('List', active.list, () => editor.chain().focus().toggleBulletList().run())}
      <InsertBlock editor={editor} />
    </chakra.div>
  );
}

const KINDS = [
  { value: 'sheet', words: 'the step sheet' },
  { value: 'count', words: 'the counts' },
  { value: 'comparison', words: 'a comparison' },
  { value: 'couple', words: 'the couple, seen from above' },
  { value: 'path', words: 'the path on the floor' },
  { value: 'combination', words: 'a combination' },
] as const satisfies readonly { value: RecapBlockKind; words: string }[];

/** Puts a block of a figure where the cursor is; it stays true while the text is a draft. */
function InsertBlock({ editor }: { editor: Editor }) {
  const { library, answer } = useCourse();
  const [isOpen, open] = useState(false);
  const [kind, setKind] = useState<RecapBlockKind>('sheet');
  const [figure, setFigure] = useState<string>();
  const [other, setOther] = useState<string>();
  const { data: combinations = [] } = useQuery(combinationsQuery(answer.course.id));
  const figures = [...library.patterns.values()].filter(
    one => isOffered(one) && answer.course.dances.includes(one.dance),
  );
  const among = (kind === 'combination' ? combinations : figures).map(({ id, name }) => ({
    value: id,
    words: name,
  }));
  if (!isOpen)
    return (
      <Button size="small" onClick={() => open(true)}>
        Put in a figure
      </Button>
    );
  const isWhole = figure !== undefined && (kind !== 'comparison' || other !== undefined);
  const choose = (next: RecapBlockKind) => {
    if ((next === 'combination') !== (kind === 'combination')) setFigure(undefined);
    setKind(next);
  };
  const put = () => {
    if (!figure) return;
    const line = printBlock({ kind, figure, ...(kind === 'comparison' && other && { other }) });
    const { doc, selection } = editor.state;
    // Where nobody has put the cursor yet a block comes last; a block that is chosen stays.
    const at = selection.from <= 1 ? doc.content.size : selection.to;
    editor.chain().insertContentAt(at, { type: FigureBlock.name, attrs: { line } }).focus().run();
    setFigure(undefined);
    setOther(undefined);
    open(false);
  };
  return (
    <chakra.div display="flex" gap="2" flexWrap="wrap" alignItems="end" width="full">
      <Choice label="Put in" width="14rem" value={kind} among={KINDS} set={choose} />
      <chakra.div width="14rem">
        <Pick
          key={among[0]?.value}
          label="of"
          among={among}
          value={figure ? [figure] : []}
          set={([id]) => setFigure(id)}
        />
      </chakra.div>
      {kind === 'comparison' && (
        <chakra.div width="14rem">
          <Pick label="beside" among={among} value={other ? [other] : []} set={([id]) => setOther(id)} />
        </chakra.div>
      )}
      <Button look="next" disabled={!isWhole} onClick={put}>
        Put it in
      </Button>
      <Button look="quiet" onClick={() => open(false)}>
        Leave it
      </Button>
    </chakra.div>
  );
}

/** A block as its readers will see it, drawn from the figure as it is. */
function BlockView({ node }: NodeViewProps) {
  const { library, studio, answer } = useCourse();
  const { data: combinations = [] } = useQuery(combinationsQuery(answer.course.id));
  const line = String(node.attrs['line']);
  const [, id = ''] = /: ([a-z0-9-]+)/.exec(line) ?? [];
  return (
    <NodeViewWrapper>
      <chakra.figure
        contentEditable={false}
        my="2"
        p="2"
        border="1px dashed"
        borderColor="line"
        aria-label={`From ${figureName(library, id)}`}
      >
        <Markdown text={freezeBlocks(line, { library, studio: studio.studio, combinations })} />
      </chakra.figure>
    </NodeViewWrapper>
  );
}
