import { chakra } from '@chakra-ui/react';
import {
  type AheadMoves,
  aheadDifferences,
  costChange,
  countDifferences,
  differences,
  type FoundPlan,
  figureName,
  type Judgement,
  judgePlan,
  type Moves,
  moveAhead,
  movePlaced,
  type Placed,
} from '@map-step/core';
import { useState } from 'react';
import { Notice } from '../../../ui/notice.tsx';
import { Button, Label } from '../../../ui/parts.tsx';
import { Segments } from '../../../ui/segments.tsx';
import { Tick } from '../../../ui/tick.tsx';
import { type PlanContent, useCourse } from '../../course/course-context.ts';
import { useElementName } from '../../course/use-elements.ts';
import { moveInWords } from '../plan/use-moves.ts';
import { aheadInWords, changeInWords, knownInWords, points, withNames } from '../plan/words.ts';
import type { Planner } from './use-planner.ts';

interface ProposalProps {
  readonly plan: PlanContent;
  readonly planner: Planner;
  readonly found: FoundPlan;
  take(moves: Moves, ahead: AheadMoves): void;
}

const SHOWN_PLANS = [
  { value: 'proposal', words: 'The proposal' },
  { value: 'saved', words: 'The plan as it is' },
] as const;

/** More than these are shown when they are asked for. */
const SHOWN = 8;

/** A plan that the planner proposes, beside the one that stands: what moves, what it wins, all or some of it. */
export function Proposal({ plan: { draft, saved }, planner, found, take }: ProposalProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const { problem } = draft;
  if (!problem) return null;
  const before = judgePlan(problem, saved.placed, saved.ahead);
  // What cannot come ahead where its figure lies is with the figure already.
  const now = { placed: saved.placed, ahead: before.ahead };
  const moves = differences(now.placed, found.placed);
  const shown = aheadDifferences(now, found);
  const chosen = Object.fromEntries(Object.entries(moves).filter(([id]) => !left.has(id)));
  const ahead = Object.fromEntries(Object.entries(shown).filter(([id]) => !left.has(aheadKey(id))));
  const after = judgePlan(problem, movePlaced(saved.placed, chosen), moveAhead(now.ahead, ahead));
  const all = countDifferences(now, found);
  const some = Object.keys(chosen).length + Object.keys(ahead).length;
  return (
    <chakra.section aria-label="The proposal" display="grid" gap="2">
      <chakra.p aria-live="polite" fontWeight="650">
        {points(found.cost)} points. {knownInWords(found)}
      </chakra.p>
      {planner.isRunning && !found.proven && (
        <chakra.div display="flex" gap="2" alignItems="center">
          <Label>Still looking for better ones.</Label>
          <Button size="small" onClick={planner.stop}>
            Stop
          </Button>
        </chakra.div>
      )}
      {all === 0 ? (
        <>
          <p>The plan as it stands is the best one found.</p>
          <Button onClick={planner.dismiss}>Good</Button>
        </>
      ) : (
        <>
          <Button
            look="next"
            size="large"
            disabled={some === 0}
            onClick={() => {
              planner.dismiss();
              take(chosen, ahead);
            }}
          >
            {some === all ? `Take all ${all} moves` : `Take ${some} of ${all} moves`}
          </Button>
          <Button onClick={planner.dismiss}>Keep the plan as it was</Button>
          <Segments
            label="On the board"
            value={planner.isShown ? 'proposal' : 'saved'}
            among={SHOWN_PLANS}
            set={shown => planner.show(shown === 'proposal')}
          />
          <WhatItWins before={before} after={after} />
          <MoveList
            moves={moves}
            ahead={shown}
            saved={saved.placed}
            left={left}
            toggle={id => setLeft(now => toggled(now, id))}
          />
        </>
      )}
    </chakra.section>
  );
}

/** What taking the chosen moves would break, mend, save or cost. */
function WhatItWins({ before, after }: { before: Judgement; after: Judgement }) {
  const { library } = useCourse();
  const won = before.cost.total - after.cost.total;
  return (
    <>
      {after.broken.length > 0 && (
        <Notice tone="stop" title="So it would break a rule:">
          {after.broken.slice(0, 3).map(rule => (
            <chakra.p key={`${rule.at} ${rule.message}`} fontSize="sm">
              {figureName(library, rule.at)} {withNames(rule.message, library)}
            </chakra.p>
          ))}
        </Notice>
      )}
      <chakra.p fontSize="sm">
        {before.broken.length > 0 && after.broken.length === 0
          ? 'It mends what is broken. '
          : won > 0.05
            ? `It saves ${points(won)} points: `
            : won < -0.05
              ? `It costs ${points(-won)} points more: `
              : 'It costs the same. '}
        {Math.abs(won) > 0.05 && changeInWords(costChange(before.cost, after.cost)).join(', ')}
      </chakra.p>
    </>
  );
}

interface MoveListProps {
  readonly moves: Moves;
  readonly ahead: AheadMoves;
  readonly saved: Placed;
  /** What is not taken. */
  readonly left: ReadonlySet<string>;
  toggle(id: string): void;
}

function MoveList({ moves, ahead, saved, left, toggle }: MoveListProps) {
  const { library } = useCourse();
  const [showsAll, setShowsAll] = useState(false);
  const elementName = useElementName();
  const all = [
    ...Object.entries(moves).map(([id, to]) => ({
      key: id,
      words: moveInWords(figureName(library, id), to),
      now: saved[id] === undefined ? 'now left out' : `now in lesson ${saved[id]}`,
    })),
    ...Object.entries(ahead).map(([id, isAhead]) => ({
      key: aheadKey(id),
      words: aheadInWords(elementName(id), isAhead),
      now: isAhead ? 'now with its figure' : 'now a lesson ahead',
    })),
  ];
  const listed = showsAll ? all : all.slice(0, SHOWN);
  return (
    <>
      <chakra.ul listStyleType="none" p="0" fontSize="sm" display="grid" gap="1">
        {listed.map(({ key, words, now }) => (
          <li key={key}>
            <Tick isOn={!left.has(key)} set={() => toggle(key)}>
              {words}
              <Label display="block">{now}</Label>
            </Tick>
          </li>
        ))}
      </chakra.ul>
      {listed.length < all.length && (
        <Button size="small" justifySelf="start" onClick={() => setShowsAll(true)}>
          Show all {all.length} moves
        </Button>
      )}
    </>
  );
}

/** An element and a figure may have one id. */
const aheadKey = (element: string) => `ahead ${element}`;

function toggled(set: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(set);
  if (!next.delete(id)) next.add(id);
  return next;
}
