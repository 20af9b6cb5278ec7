import { TaskItem, TaskList } from '@tiptap/extension-list';
import { TableKit } from '@tiptap/extension-table';
import { Markdown } from '@tiptap/markdown';
import StarterKit from '@tiptap/starter-kit';
import { FigureBlock } from './figure-block.ts';

/** What a recap can hold: Markdown, and blocks that are drawn from figures. Without tasks and tables both would be spoiled. */
export const EXTENSIONS = [
  StarterKit.configure({ link: { openOnClick: false } }),
  TaskList,
  TaskItem,
  TableKit,
  FigureBlock,
  Markdown,
];
