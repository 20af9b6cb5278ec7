import { chakra } from '@chakra-ui/react';
import {
  type Figure,
  figureDifficulty,
  figuresOutOfOrder,
  isOffered,
  levelRoutes,
  openingTree,
  type Role,
  rolesOf,
  takenForGranted,
} from '@map-step/core';
import { type ReactNode, useMemo, useState } from 'react';
import { Choice } from '../../../ui/choice.tsx';
import { Disclosure } from '../../../ui/disclosure.tsx';
import { FirstOf } from '../../../ui/first-of.tsx';
import { Group, GroupColumns } from '../../../ui/group.tsx';
import { Button, Empty, Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';
import { difficultyInWords } from '../../course/difficulty-words.ts';
import { FigureLink } from '../../course/figure-link.tsx';
import { LevelDrawing } from './level-drawing.tsx';
import { MixedUp } from './mixed-up.tsx';
import { OpeningDrawing, openingSteps } from './opening-drawing.tsx';

/** A level of more figures shows its openings one at a time. */
const MANY = 60;

/** The figures of a level side by side: what blurs, what is out of order, and what each opening can still be. */
export function LevelPage() {
  const { library, answer, studio } = useCourse();
  const levels = [...library.levels.values()].filter(({ dance }) => answer.course.dances.includes(dance));
  const [chosen, choose] = useState(answer.course.level ?? levels[0]?.id ?? '');
  const level = library.levels.get(chosen);
  const figures = useMemo(
    () =>
      [...library.readings.values()]
        .filter(
          ({ figure, faults }) =>
            figure.pattern.level === chosen &&
            isOffered(figure.pattern) &&
            figure.parts.length > 0 &&
            faults.length === 0,
        )
        .map(({ figure }) => figure),
    [library, chosen],
  );
  const roles: readonly Role[] = figures[0] ? rolesOf(figures[0].dance) : [];
  const [role, setRole] = useState<Role>();
  const shown = role && roles.includes(role) ? role : roles[0];
  const names = { solo: 'Steps', lead: 'Leader', follow: 'Follower', ...studio.studio.roles };
  return (
    <chakra.article display="grid" gap="5">
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.h2 fontSize="2xl">{level?.name ?? 'Level'}, figure beside figure</chakra.h2>
        <chakra.div ml="auto">
          <Choice
            label="Level"
            width="14rem"
            value={chosen}
            among={levels.map(({ id, name }) => ({ value: id, words: name }))}
            set={choose}
          />
        </chakra.div>
      </chakra.div>
      {figures.length === 0 || !shown ? (
        <Empty title="No figures in this level yet">
          Set the level of a figure under “Name and place” in Material.
        </Empty>
      ) : (
        <>
          <LevelDrawing level={chosen} />
          <GroupColumns columnWidth="20rem">
            <MixedUp figures={figures} />
            <Granted level={chosen} />
            <Unjoined level={chosen} />
            <HowHard figures={figures} />
          </GroupColumns>
          <section aria-label="What it can still be">
            <chakra.div display="flex" gap="2" alignItems="center" mb="2">
              <chakra.h3 fontSize="lg">What it can still be</chakra.h3>
              {roles.length > 1 &&
                roles.map(one => (
                  <Button key={one} size="small" aria-pressed={one === shown} onClick={() => setRole(one)}>
                    {names[one]}
                  </Button>
                ))}
            </chakra.div>
            <Openings figures={figures} role={shown} />
          </section>
        </>
      )}
    </chakra.article>
  );
}

/** What each opening can still be; of a large level one opening after the other. */
function Openings({ figures, role }: { figures: readonly Figure[]; role: Role }) {
  const tree = useMemo(() => openingTree(figures, role), [figures, role]);
  if (figures.length <= MANY) return <OpeningDrawing tree={tree} role={role} />;
  return tree.branches.map(branch => (
    <Disclosure
      key={branch.figures.map(({ pattern }) => pattern.id).join(' ')}
      isLazy
      title={
        <>
          {openingSteps(branch, role)}{' '}
          <Label>
            {branch.figures.length === 1
              ? branch.figures[0]?.pattern.name
              : `${branch.figures.length} figures`}
          </Label>
        </>
      }
    >
      <OpeningDrawing tree={branch} role={role} />
    </Disclosure>
  ));
}

function Granted({ level }: { level: string }) {
  const { library } = useCourse();
  const { figures, holds } = useMemo(() => takenForGranted(library, level), [library, level]);
  const dance = library.dances.get(library.levels.get(level)?.dance ?? '');
  const holdName = (id: string) => dance?.holds.find(hold => hold.id === id)?.name ?? id;
  return (
    <Group title="Taken for granted">
      {figures.length + holds.length === 0 ? (
        <p>All that this level stands on is taught in it or below it.</p>
      ) : (
        <>
          {figures.map(id => (
            <p key={id}>{library.patterns.get(id)?.name} is needed and taught in no level up to this one.</p>
          ))}
          {holds.map(id => (
            <p key={id}>No way leads into {holdName(id)} from a basic.</p>
          ))}
        </>
      )}
    </Group>
  );
}

/** What no figure up to this level leads to, or leads on from. */
function Unjoined({ level }: { level: string }) {
  const { library } = useCourse();
  const unjoined = useMemo(() => levelRoutes(library, level), [library, level]);
  return (
    <Group title="Cannot be reached or left">
      {unjoined.length === 0 && (
        <p>From a basic every figure can be reached, and from each one leads back.</p>
      )}
      {unjoined.map(({ figure, fault }) => (
        <p key={figure.pattern.id}>
          <FigureLink id={figure.pattern.id} />: {fault.message}.
        </p>
      ))}
    </Group>
  );
}

function HowHard({ figures }: { figures: readonly Figure[] }) {
  const { library } = useCourse();
  const rated = useMemo(
    () =>
      figures
        .map(figure => ({ figure, difficulty: figureDifficulty(figure, library) }))
        .sort((a, b) => a.difficulty.total - b.difficulty.total),
    [figures, library],
  );
  const odd = useMemo(() => new Map(figuresOutOfOrder(library).map(entry => [entry.id, entry])), [library]);
  return (
    <Group title="From easy to hard">
      <FirstOf many={{ first: rated, count: rated.length }}>
        {({ figure, difficulty }) => {
          const order = odd.get(figure.pattern.id);
          return (
            <Disclosure
              title={
                <>
                  <Total>{difficulty.total.toFixed(1)}</Total> {figure.pattern.name}{' '}
                  {order && (
                    <Label>
                      {order.kind} than the middle of {library.levels.get(order.than)?.name}
                    </Label>
                  )}
                </>
              }
              key={figure.pattern.id}
            >
              <Label>{difficultyInWords(difficulty)}</Label>
            </Disclosure>
          );
        }}
      </FirstOf>
    </Group>
  );
}

function Total({ children }: { children: ReactNode }) {
  return (
    <chakra.span
      fontFamily="title"
      fontWeight="700"
      fontVariantNumeric="tabular-nums"
      display="inline-block"
      minW="2.25rem"
    >
      {children}
    </chakra.span>
  );
}
