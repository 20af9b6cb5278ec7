import { chakra } from '@chakra-ui/react';
import { isOffered, type Pattern } from '@map-step/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef, useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { ownerOf } from '../../../api/outbox.ts';
import { Hint } from '../../../ui/hint.tsx';
import { Button } from '../../../ui/parts.tsx';
import { percent } from '../../../ui/percent.ts';
import { Pick } from '../../../ui/pick.tsx';
import { useShortcuts } from '../../../ui/shortcuts.ts';
import { useMedia } from '../../../ui/use-media.ts';
import { useCourse, usePlan } from '../../course/course-context.ts';
import { useDrafts } from '../../history/draft-store.ts';
import { type SharedDraft, useOthersDrafts } from '../figure/shared-drafts.ts';
import { figureDrafts } from '../figure/use-figure-draft.ts';
import { KIND_WORDS } from './kind-words.ts';
import { LibraryFilter } from './library-filter.tsx';
import { NewFigure } from './new-figure.tsx';
import { type LibraryList, useLibraryList } from './use-library-list.ts';

const ROW = 28;

/** The figures of the course's dances, found by any of their names and by what they are. */
export function FigureList({ figures, openId }: { figures: readonly Pattern[]; openId: string | undefined }) {
  const { me, answer, library } = useCourse();
  const { search } = useLocation();
  const drafts = useDrafts(figureDrafts, ownerOf(me));
  const list = useLibraryList(figures);
  const [isWriting, write] = useState(false);
  const isNarrow = useMedia('(max-width: 61.99rem)');
  const mayWrite = me.role === 'director' || me.role === 'teacher';
  useShortcuts({ 'new-figure': mayWrite ? () => write(true) : undefined });
  const begun = Object.values(drafts)
    .map(({ now }) => now)
    .filter(({ dance }) => answer.course.dances.includes(dance));
  const unfinished = useOthersDrafts().filter(
    ({ figure, dance }) => !library.patterns.has(figure) && answer.course.dances.includes(dance),
  );
  const { figures: found, order } = list;
  const rows = rowsOf({ figures: found, order }, begun, unfinished.map(namesake));
  return (
    <chakra.nav
      aria-label="Figures"
      className="no-print"
      position={{ lg: 'sticky' }}
      top="7rem"
      alignSelf="start"
    >
      <chakra.div display={{ base: 'flex', lg: 'block' }} alignItems="end" flexWrap="wrap" gap="3" mb="2">
        {isNarrow && (
          <FigureChoice
            figures={[...begun.filter(({ id }) => !figures.some(one => one.id === id)), ...figures]}
            openId={openId}
          />
        )}
        {mayWrite && !isWriting && (
          <Hint words="Key: n">
            <Button width={{ base: 'auto', lg: 'full' }} onClick={() => write(true)}>
              New figure
            </Button>
          </Hint>
        )}
        {mayWrite && isWriting && <NewFigure close={() => write(false)} />}
      </chakra.div>
      <chakra.p mb="2" fontSize="sm">
        <Link to={{ pathname: `/courses/${answer.course.id}/material/level`, search }}>
          The level, figure beside figure
        </Link>
      </chakra.p>
      <chakra.div display={{ base: 'none', lg: 'block' }}>
        <LibraryFilter list={list} count={figures.length} />
        <Names rows={rows} list={list} openId={openId} />
      </chakra.div>
    </chakra.nav>
  );
}

type Row =
  | { readonly kind: 'heading'; readonly word: string }
  | { readonly kind: 'figure'; readonly pattern: Pattern };

/** A colleague's figure that is not finished, as far as its name is known. */
function namesake({ figure, name, dance }: SharedDraft): Pattern {
  return { id: figure, name, dance, kind: 'pattern' };
}

/** What is begun and not saved stands first, what colleagues have begun after it; then under headings by kind, or in a row by any other order; the retired last. */
function rowsOf(
  { figures, order }: Pick<LibraryList, 'figures' | 'order'>,
  begun: readonly Pattern[],
  unfinished: readonly Pattern[],
): readonly Row[] {
  const isBegun = new Set(begun.map(({ id }) => id));
  const others = figures.filter(pattern => isOffered(pattern) && !isBegun.has(pattern.id));
  const retired = figures.filter(pattern => !isOffered(pattern) && !isBegun.has(pattern.id));
  const under = (word: string, patterns: readonly Pattern[]): readonly Row[] =>
    patterns.length === 0
      ? []
      : [{ kind: 'heading', word }, ...patterns.map(pattern => ({ kind: 'figure', pattern }) as const)];
  const kinds = Object.entries(KIND_WORDS);
  const rest =
    order === 'kind'
      ? kinds.flatMap(([kind, { many }]) =>
          under(many, variantsUnder(others.filter(pattern => pattern.kind === kind))),
        )
      : others.map(pattern => ({ kind: 'figure', pattern }) as const);
  return [
    ...under('Not saved yet', begun),
    ...under('Unfinished', unfinished),
    ...rest,
    ...under('Retired', retired),
  ];
}

/** A variant stands under its figure, where that is in the list. */
function variantsUnder(patterns: readonly Pattern[]): readonly Pattern[] {
  const there = new Set(patterns.map(({ id }) => id));
  const under = new Map<string, Pattern[]>();
  for (const pattern of patterns)
    if (pattern.variantOf !== undefined && there.has(pattern.variantOf))
      under.set(pattern.variantOf, [...(under.get(pattern.variantOf) ?? []), pattern]);
  const isUnder = new Set([...under.values()].flat());
  return patterns
    .filter(pattern => !isUnder.has(pattern))
    .flatMap(head => [head, ...(under.get(head.id) ?? [])]);
}

interface NamesProps {
  readonly rows: readonly Row[];
  readonly list: LibraryList;
  readonly openId: string | undefined;
}

/** Only the rows in sight are drawn, so that thousands scroll as twenty do. */
function Names({ rows, list, openId }: NamesProps) {
  const view = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => view.current,
    estimateSize: () => ROW,
    overscan: 12,
  });
  const openRow = rows.findIndex(row => row.kind === 'figure' && row.pattern.id === openId);
  const isAtStart = useRef(true);
  useEffect(() => {
    if (openRow >= 0 && isAtStart.current) virtual.scrollToIndex(openRow, { align: 'auto' });
    isAtStart.current = false;
  }, [openRow, virtual]);
  const words = useNameWords(list);
  const isGrouped = list.order === 'kind';
  if (rows.length === 0) return <p>No figure is like that.</p>;
  return (
    <List ref={view} tabIndex={-1}>
      <ul style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index];
          if (!row) return null;
          const style = { transform: `translateY(${start}px)` };
          return row.kind === 'heading' ? (
            <li key={row.word} style={style}>
              <h2>{row.word}</h2>
            </li>
          ) : (
            <li key={row.pattern.id} style={style}>
              <Name
                pattern={row.pattern}
                words={words(row.pattern)}
                isOpen={row.pattern.id === openId}
                isUnder={isGrouped && row.pattern.variantOf !== undefined}
              />
            </li>
          );
        })}
      </ul>
    </List>
  );
}

/** The looks of all rows stand on the list, so that a row costs nothing of its own. */
const List = chakra('div', {
  base: {
    overflowY: 'auto',
    maxH: 'calc(100vh - 21rem)',
    minH: '12rem',
    '& ul': { position: 'relative', listStyleType: 'none', padding: 0 },
    '& li': {
      position: 'absolute',
      top: 0,
      left: 0,
      width: 'full',
      height: `${ROW}px`,
      lineHeight: `${ROW}px`,
    },
    '& h2': {
      fontSize: 'sm',
      color: 'quiet',
      borderBottom: '1px solid',
      borderColor: 'line',
      lineHeight: `${ROW - 4}px`,
    },
    '& a': {
      display: 'flex',
      justifyContent: 'space-between',
      gap: '2',
      px: '1.5',
      textDecoration: 'none',
      whiteSpace: 'nowrap',
    },
    '& a[data-under]': { paddingLeft: '5' },
    '& a[aria-current]': { bg: 'nowTint' },
    '& b': { fontWeight: '400', overflow: 'hidden', textOverflow: 'ellipsis' },
    '& small': { fontSize: 'sm', color: 'quiet', fontWeight: '500' },
  },
});

/** What stands behind a name: where it is taught, or what the order goes by. */
function useNameWords({ order, rankOf }: LibraryList): (pattern: Pattern) => string {
  const { answer, me, library } = useCourse();
  const { draft } = usePlan();
  const writers = new Map(useOthersDrafts().map(({ figure, writer }) => [figure, writer]));
  const drafts = useDrafts(figureDrafts, ownerOf(me));
  const items = new Set(answer.course.items.map(({ pattern }) => pattern));
  return ({ id, level }) => {
    if (id in drafts) return 'not saved';
    if (!library.patterns.has(id)) return writers.get(id) ?? '';
    const rank = rankOf(id);
    if (order === 'novelty') return rank === undefined ? '…' : `${percent(rank)} new`;
    if (order === 'difficulty') return rank === undefined ? '…' : rank.toFixed(1);
    if (!items.has(id)) return library.levels.get(level ?? '')?.name ?? '';
    const at = draft.placed[id];
    return at ? `lesson ${at}` : 'left out';
  };
}

interface NameProps {
  readonly pattern: Pattern;
  readonly words: string;
  readonly isOpen: boolean;
  readonly isUnder: boolean;
}

function Name({ pattern, words, isOpen, isUnder }: NameProps) {
  const { answer } = useCourse();
  const { search } = useLocation();
  return (
    <Link
      to={{ pathname: `/courses/${answer.course.id}/material/${pattern.id}`, search }}
      aria-current={isOpen ? 'page' : undefined}
      data-under={isUnder || undefined}
    >
      <b>{pattern.name}</b>
      <small>{words}</small>
    </Link>
  );
}

/** On a narrow page the list is one line. */
function FigureChoice({ figures, openId }: { figures: readonly Pattern[]; openId: string | undefined }) {
  const { answer } = useCourse();
  const { search } = useLocation();
  const navigate = useNavigate();
  const open = ([id]: readonly string[]) =>
    id && void navigate({ pathname: `/courses/${answer.course.id}/material/${id}`, search });
  return (
    <chakra.div display={{ base: 'block', lg: 'none' }} flex="1 1 14rem">
      <Pick
        key={openId}
        label="Figure"
        among={figures.map(({ id, name }) => ({ value: id, words: name }))}
        value={openId === undefined ? [] : [openId]}
        set={open}
      />
    </chakra.div>
  );
}
