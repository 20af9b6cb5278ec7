import { chakra } from '@chakra-ui/react';
import {
  type Dance,
  type EveningFigures,
  halvesOf,
  type Library,
  type Pattern,
  usableFigures,
} from '@map-step/core';
import { Check, Minus } from 'lucide-react';
import { Choice } from '../../ui/choice.tsx';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Hint } from '../../ui/hint.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, FigureChip, Label } from '../../ui/parts.tsx';
import { useMedia } from '../../ui/use-media.ts';
import { useOneStop } from '../../ui/use-one-stop.ts';
import { useCourse } from '../course/course-context.ts';
import { phrasesInWords } from './sequence-words.ts';
import type { Asking, Wish } from './use-asking.ts';
import type { Combining } from './use-combining.ts';

interface AskPanelProps {
  readonly had: EveningFigures;
  readonly asking: Asking;
  readonly combining: Combining;
}

/** What a sequence should be: how long, how it ends, and which figures may and must be in it. */
export function AskPanel({ had, asking, combining }: AskPanelProps) {
  const { dance } = had;
  const { request } = asking;
  const isNarrow = useMedia('(max-width: 61.99rem)');
  const { use = [], must = [] } = request ?? {};
  const chosen = `${use.length} may be danced${must.length > 0 ? `, ${must.length} must` : ''}`;
  return (
    <chakra.section aria-label="Ask for a sequence" display="grid" gap="3" className="no-print">
      {combining.isRunning ? (
        <Button size="large" onClick={combining.stop}>
          Stop searching
        </Button>
      ) : (
        <Hint words="Key: f">
          <Button
            look="next"
            size="large"
            disabled={!request}
            onClick={() => request && combining.start(request)}
          >
            Find sequences
          </Button>
        </Hint>
      )}
      <Length dance={dance} asking={asking} />
      {isNarrow ? (
        <Disclosure size="small" title={`Which figures: ${chosen}`} isLazy>
          <Figures had={had} asking={asking} />
        </Disclosure>
      ) : (
        <Figures had={had} asking={asking} />
      )}
    </chakra.section>
  );
}

function Length({ dance, asking }: { dance: Dance; asking: Asking }) {
  const { beats, setBeats, end, setEnd, maxInRow, setMaxInRow, request } = asking;
  const phrases = request && phrasesInWords(request.beats, dance);
  return (
    <chakra.div display="grid" gap="2">
      <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
        <NumberField label="Beats" value={beats} min={1} max={256} save={value => value && setBeats(value)} />
        <span>beats</span>
        <Label>{phrases ?? 'not a whole phrase'}</Label>
      </chakra.div>
      {dance.floor !== 'slot' && (
        <Choice
          label="It ends"
          layout="beside"
          size="small"
          value={end}
          among={[
            { value: 'same', words: 'as it began' },
            { value: 'opposite', words: 'facing the other way' },
          ]}
          set={setEnd}
        />
      )}
      <chakra.div display="flex" gap="2" alignItems="center">
        <NumberField
          label="The same figure at most so often in a row"
          width="3.5rem"
          value={maxInRow}
          min={1}
          max={16}
          save={value => value && setMaxInRow(value)}
        />
        <Label>times the same in a row at most</Label>
      </chakra.div>
    </chakra.div>
  );
}

const NEXT: Readonly<Record<Wish, Wish>> = { may: 'must', must: 'not', not: 'may' };
const WISH_WORDS: Readonly<Record<Wish, string>> = {
  may: 'may be danced',
  must: 'must be danced',
  not: 'left out',
};

function Figures({ had, asking }: { had: EveningFigures; asking: Asking }) {
  const { library } = useCourse();
  const all = usableFigures(library, had.dance.id).map(({ figure }) => figure.pattern);
  const isHad = new Set([...had.known, ...had.lessons.flat()]);
  const tonight = new Set(had.lessons.at(-1));
  const groups: readonly (readonly [string, readonly Pattern[]])[] = [
    ['Tonight', all.filter(({ id }) => tonight.has(id))],
    ['Had before', all.filter(({ id }) => isHad.has(id) && !tonight.has(id))],
  ];
  const others = all.filter(({ id }) => !isHad.has(id));
  const halves = all.flatMap(({ id }) => (isHad.has(id) ? halvesIn(library, id) : []));
  return (
    <>
      {groups.map(
        ([title, patterns]) =>
          patterns.length > 0 && (
            <div key={title}>
              <Label>{title}</Label>
              <Wishes patterns={patterns} asking={asking} label={title} />
            </div>
          ),
      )}
      {halves.length > 0 && (
        <Disclosure size="small" title={`Halves, where a figure may be cut: ${halves.length}`} isLazy>
          <Wishes patterns={halves} asking={asking} label="Halves" />
        </Disclosure>
      )}
      {others.length > 0 && (
        <Disclosure size="small" title={`Not had yet: ${others.length}`} isLazy>
          <Wishes patterns={others} asking={asking} label="Not had yet" />
        </Disclosure>
      )}
    </>
  );
}

/** The halves of a figure, as figures. */
function halvesIn(library: Library, id: string): readonly Pattern[] {
  const figure = library.readings.get(id)?.figure;
  return figure ? halvesOf(figure).flatMap(half => library.patterns.get(half) ?? []) : [];
}

interface WishesProps {
  readonly patterns: readonly Pattern[];
  readonly asking: Asking;
  readonly label: string;
}

/** Each press makes of a figure that may be danced one that must be, then one that is left out. */
function Wishes({ patterns, asking, label }: WishesProps) {
  const { list, tabIndexOf } = useOneStop(patterns.map(({ id }) => id));
  return (
    <chakra.ul aria-label={label} listStyleType="none" p="0" display="grid" gap="1" {...list}>
      {patterns.map(({ id, name, kind }) => {
        const wish = asking.wishFor(id);
        return (
          <li key={id}>
            <FigureChip
              strand={kind}
              state={wish === 'must' ? 'chosen' : 'calm'}
              cursor="pointer"
              opacity={wish === 'not' ? 0.75 : undefined}
              textDecoration={wish === 'not' ? 'line-through' : undefined}
              fontSize="sm"
              py="1"
              data-stop={id}
              tabIndex={tabIndexOf(id)}
              aria-label={`${name}: ${WISH_WORDS[wish]}`}
              onClick={() => asking.setWish(id, NEXT[wish])}
            >
              <chakra.span display="flex" alignItems="center" gap="1.5">
                <chakra.span flex="1">{name}</chakra.span>
                {wish === 'must' && (
                  <chakra.span display="inline-flex" alignItems="center" gap="1">
                    <Check size={14} aria-hidden /> must
                  </chakra.span>
                )}
                {wish === 'not' && <Minus size={14} aria-hidden />}
              </chakra.span>
            </FigureChip>
          </li>
        );
      })}
    </chakra.ul>
  );
}
