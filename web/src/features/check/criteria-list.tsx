import { chakra } from '@chakra-ui/react';
import type { Versioned } from '@map-step/contract';
import { type Check, type Criterion, figureName, LAYERS, type Layer } from '@map-step/core';
import { useState } from 'react';
import type { Commands } from '../../api/commands.ts';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { Pick } from '../../ui/pick.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { useCourse } from '../course/course-context.ts';
import { HistoryList } from '../history/history-list.tsx';
import { RefusalNotice } from '../history/refusal-notice.tsx';
import { checkAggregate } from './check-queries.ts';
import { LAYER_WORDS } from './check-words.ts';

interface CriteriaListProps {
  readonly answer: Versioned<Check>;
  readonly commands: Commands<Check>;
  readonly mayWrite: boolean;
}

/** What the check asks: its day, its figures, what of each is looked at, and which are gates. */
export function CriteriaList({ answer, commands, mayWrite }: CriteriaListProps) {
  const { library } = useCourse();
  const { body: check } = answer;
  const nameOf = (id: string) => figureName(library, id);
  const put = (what: string, change: (items: readonly Criterion[]) => readonly Criterion[]) =>
    commands.edit(what, now => ({ ...now, items: [...change(now.items)] }));
  const change = (pattern: string, more: Partial<Criterion>) =>
    put(`What is asked of ${nameOf(pattern)}`, items =>
      items.map(item => (item.pattern === pattern ? { ...item, ...more } : item)),
    );
  const look = (item: Criterion, layer: Layer, isOn: boolean) =>
    change(item.pattern, {
      layers: LAYERS.filter(one => (one === layer ? isOn : item.layers.includes(one))),
    });
  return (
    <chakra.fieldset border="0" display="grid" gap="3" disabled={!mayWrite} justifyItems="start">
      <RefusalNotice
        of={checkAggregate(check.section, check.id).key}
        commands={commands}
        nameOf={field => nameOf(field.split('/')[1] ?? field)}
        wordsOf={value => (value === null ? 'not asked' : JSON.stringify(value))}
      />
      <chakra.div width="11rem">
        <TextField
          label="Day"
          type="date"
          value={check.date}
          onChange={event => {
            const date = event.target.value;
            if (/^(19|20|21)\d\d-/.test(date)) commands.edit('Day of the check', now => ({ ...now, date }));
          }}
        />
      </chakra.div>
      <GridTable look="fields" heads={['Figure', ...Object.values(LAYER_WORDS), 'Gate', '']}>
        {check.items.map(item => (
          <TableRow key={item.pattern}>
            <TableCell>{nameOf(item.pattern)}</TableCell>
            {LAYERS.map(layer => (
              <TableCell key={layer}>
                <Tick
                  label={`${nameOf(item.pattern)}: ${LAYER_WORDS[layer]}`}
                  isOn={item.layers.includes(layer)}
                  set={isOn => look(item, layer, isOn)}
                />
              </TableCell>
            ))}
            <TableCell>
              <Tick
                label={`${nameOf(item.pattern)} is a gate`}
                isOn={item.gate}
                set={gate => change(item.pattern, { gate })}
              />
            </TableCell>
            <TableCell>
              <Button
                look="quiet"
                size="small"
                aria-label={`Take ${nameOf(item.pattern)} off`}
                onClick={() =>
                  put(`${nameOf(item.pattern)} taken off`, items =>
                    items.filter(({ pattern }) => pattern !== item.pattern),
                  )
                }
              >
                Take off
              </Button>
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
      <AddFigures check={check} add={more => put('Figures added', items => [...items, ...more])} />
      <Label>Marks that were given for what is taken off are kept.</Label>
      <Disclosure title="Changes of this check" size="small">
        <HistoryList history={answer.history} takeBack={mayWrite ? commands.takeBack : undefined} />
      </Disclosure>
    </chakra.fieldset>
  );
}

function AddFigures({ check, add }: { check: Check; add(more: readonly Criterion[]): void }) {
  const { answer, library } = useCourse();
  const [picked, pick] = useState<readonly string[]>([]);
  const there = new Set(check.items.map(({ pattern }) => pattern));
  const others = answer.course.items
    .filter(({ pattern }) => !there.has(pattern))
    .map(({ pattern }) => ({ value: pattern, words: figureName(library, pattern) }));
  if (others.length === 0) return null;
  return (
    <chakra.div display="grid" gap="2" width="24rem" justifyItems="start">
      <chakra.div width="full">
        <Pick label="More figures of the course" among={others} value={picked} set={pick} many />
      </chakra.div>
      <Button
        size="small"
        disabled={picked.length === 0}
        onClick={() => {
          add(picked.map(pattern => ({ pattern, gate: false, layers: ['steps', 'timing'] })));
          pick([]);
        }}
      >
        Ask for {picked.length > 1 ? `these ${picked.length}` : 'it'} too
      </Button>
    </chakra.div>
  );
}
