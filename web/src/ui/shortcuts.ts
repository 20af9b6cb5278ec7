import { useEffect, useEffectEvent } from 'react';
import { createKeybindingsHandler } from 'tinykeys';

interface Shortcut {
  /** As `tinykeys` has them; `$mod` is Ctrl, on a Mac Cmd. Undefined where a cell or a chip takes the key itself. */
  readonly keys?: string;
  readonly shown?: string;
  readonly words: string;
  readonly where: 'every room' | 'Map' | 'Material' | 'Lesson' | 'Combine';
  /** Heard while one types in a field too. */
  readonly everywhere?: boolean;
}

const LESSONS = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const;
type LessonShortcut = `lesson-${(typeof LESSONS)[number]}`;

/** Every key of the rooms: what is listened to, and what the page of keys tells, come from here. */
export const SHORTCUTS = {
  'lesson-before': { keys: '[', words: 'the lesson before', where: 'every room' },
  'lesson-after': { keys: ']', words: 'the lesson after', where: 'every room' },
  lesson: { shown: '1 … 9', words: 'to that lesson', where: 'every room' },
  'room-material': { keys: 'g m', words: 'to Material', where: 'every room' },
  'room-map': { keys: 'g a', words: 'to the Map', where: 'every room' },
  'room-lesson': { keys: 'g l', words: 'to Lesson', where: 'every room' },
  'room-combine': { keys: 'g c', words: 'to Combine', where: 'every room' },
  'room-recap': { keys: 'g r', words: 'to Recap', where: 'every room' },
  'room-check': { keys: 'g k', words: 'to Check', where: 'every room' },
  'room-programme': { keys: 'g p', words: 'to the Programme', where: 'every room' },
  palette: { keys: '$mod+k', words: 'go to anything', where: 'every room', everywhere: true },
  keys: { keys: 'Shift+?', shown: '?', words: 'this page of keys', where: 'every room' },
  undo: { keys: '$mod+z', words: 'undo (Map, Material)', where: 'every room' },
  redo: { keys: '$mod+Shift+z', words: 'redo (Map, Material)', where: 'every room' },
  plan: { keys: 'p', words: 'plan this level', where: 'Map' },
  publish: { keys: 'Shift+p', words: 'publish this plan', where: 'Map' },
  choose: { shown: 'Shift or Ctrl and a click', words: 'choose several figures', where: 'Map' },
  step: { shown: '← →', words: 'move what is chosen by a lesson', where: 'Map' },
  'leave-out': { shown: 'Backspace', words: 'leave out what is chosen', where: 'Map' },
  mend: { keys: '.', words: 'take the first mend of what is broken', where: 'Map' },
  dismiss: { keys: 'Escape', words: 'keep the plan as it is; nothing chosen', where: 'Map' },
  'new-figure': { keys: 'n', words: 'a new figure', where: 'Material' },
  'other-side': { keys: 'o', words: 'its other side, or mirror, as a figure of its own', where: 'Material' },
  'into-recap': { keys: 'i', words: 'the sentence of a comparison into the recap', where: 'Material' },
  write: { shown: 'letters, + -', words: 'write the step one is on', where: 'Material' },
  'mend-step': { shown: '.', words: 'mend the step, or what is wrong with the figure', where: 'Material' },
  natural: { shown: '=', words: 'make the step natural again', where: 'Material' },
  keep: {
    shown: ',',
    words:
      'the follower’s step that keeps the hold, or both rocking back; on the leader’s row the whole part',
    where: 'Material',
  },
  note: { shown: '#', words: 'a note on this count', where: 'Material' },
  'other-part': { shown: '/', words: 'the other part, from its first step', where: 'Material' },
  hold: { shown: ';', words: 'the hold from here on, and how the hands go', where: 'Material' },
  caution: { shown: '!', words: 'a caution', where: 'Material' },
  said: { shown: '@', words: 'name and place, what it needs, its rank', where: 'Material' },
  pieces: { shown: '*', words: 'the pieces it is made of', where: 'Material' },
  'mark-solid': { keys: 's', words: 'solid', where: 'Lesson' },
  'mark-shaky': { keys: 'h', words: 'shaky', where: 'Lesson' },
  'mark-touched': { keys: 't', words: 'touched', where: 'Lesson' },
  'mark-not-reached': { keys: 'n', words: 'not reached', where: 'Lesson' },
  'next-block': { keys: 'b', words: 'the next block', where: 'Lesson' },
  'pause-block': { keys: 'p', words: 'pause the clock, or go on', where: 'Lesson' },
  'longer-block': { keys: 'm', words: 'a minute more for this block', where: 'Lesson' },
  find: { keys: 'f', words: 'find sequences', where: 'Combine' },
  'next-answer': { keys: '.', words: 'the next sequence that was found', where: 'Combine' },
  'put-into-lesson': { keys: 'Shift+l', words: 'put it into the lesson', where: 'Combine' },
  'along-figures': { shown: '← →', words: 'along the figures', where: 'Combine' },
  'move-figure': { shown: 'Shift ← →', words: 'move the figure by one', where: 'Combine' },
  'take-out': { shown: 'Backspace', words: 'take the figure out', where: 'Combine' },
  times: { shown: '+ -', words: 'once more, once less', where: 'Combine' },
} as const satisfies Record<string, Shortcut>;

export type ShortcutName = keyof typeof SHORTCUTS | LessonShortcut;

const LISTENED: readonly (readonly [ShortcutName, string])[] = [
  ...Object.entries(SHORTCUTS).flatMap(([name, shortcut]) =>
    'keys' in shortcut ? [[name as keyof typeof SHORTCUTS, shortcut.keys] as const] : [],
  ),
  ...LESSONS.map(lesson => [`lesson-${lesson}`, String(lesson)] as const),
  // On some keyboards it is there without Shift.
  ['keys', '?'],
];

/** What takes keys itself: fields, and whatever has opened over the page. */
const TAKES_KEYS =
  'input, textarea, select, [contenteditable], [role=dialog], [role=alertdialog], [role=menu], [role=listbox], [role=combobox]';

const HEARD_EVERYWHERE = Object.fromEntries(
  Object.entries(SHORTCUTS).filter(([, shortcut]) => 'everywhere' in shortcut),
);

/** What a key would do at this moment, for who would rather choose it by its words. */
export interface ActiveShortcut {
  readonly name: string;
  readonly words: string;
  run(): void;
}

const listening = new Set<() => readonly ActiveShortcut[]>();

/** All that the open room listens to; not the keys that lead to lessons, rooms and help. */
export function activeShortcuts(): readonly ActiveShortcut[] {
  return [...listening].flatMap(tell => tell());
}

/** Listens to shortcuts as long as the page has a use for them; those without one are left to whoever else listens. */
export function useShortcuts(uses: { readonly [Name in ShortcutName]?: (() => void) | undefined }): void {
  const press = useEffectEvent((name: ShortcutName, event: KeyboardEvent) => {
    const use = uses[name];
    const isTaken =
      !(name in HEARD_EVERYWHERE) &&
      event.target instanceof Element &&
      event.target.closest(TAKES_KEYS) !== null;
    if (!use || isTaken || event.defaultPrevented || event.isComposing) return;
    event.preventDefault();
    use();
  });
  const tell = useEffectEvent((): readonly ActiveShortcut[] =>
    Object.entries(SHORTCUTS).flatMap(([name, { words, where }]) => {
      const use = Object.entries(uses).find(([used]) => used === name)?.[1];
      return use && (where !== 'every room' || name === 'undo' || name === 'redo')
        ? [{ name, words: words.replace(/ \(.*/, ''), run: use }]
        : [];
    }),
  );
  useEffect(() => {
    const own = () => tell();
    listening.add(own);
    return () => {
      listening.delete(own);
    };
  }, []);
  useEffect(() => {
    // Two rooms may use one key for different things: each hears all that is bound to it.
    const handlers = LISTENED.map(([name, keys]) =>
      createKeybindingsHandler({ [keys]: event => press(name, event) }),
    );
    const onKey = (event: KeyboardEvent) => {
      for (const handle of handlers) handle(event);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

const isMac = () => /Mac|iP(hone|ad)/.test(navigator.platform);

/** The keys as they stand on a keyboard. */
export function shownKeys(shortcut: Shortcut): readonly string[] {
  if (shortcut.shown) return [shortcut.shown];
  const keys = shortcut.keys?.split(/[ +]/) ?? [];
  return keys.map(key =>
    key === '$mod' ? (isMac() ? 'Cmd' : 'Ctrl') : key.charAt(0).toUpperCase() + key.slice(1),
  );
}
