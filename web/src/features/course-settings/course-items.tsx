import { chakra } from '@chakra-ui/react';
import type { CourseItem } from '@map-step/core';
import { Button, Label, Select } from '../../ui/parts.tsx';
import { Tick } from '../../ui/tick.tsx';
import { useCourseView } from '../course/course-view.ts';
import { itemField } from '../course/item-field.ts';
import type { CourseEdit } from '../course/use-course-edit.ts';
import { NumberField } from './number-field.tsx';
import { SettingsTable } from './settings-table.ts';

const VALUES = ['must', 'should', 'could'] as const;

/** The figures of the course: how much each is worth, when it may come, whether it is a gate. */
export function CourseItems({ editing }: { editing: CourseEdit }) {
  const { answer, library, saved } = useCourseView();
  const { items, dances, lessons } = answer.course;
  const nameOf = (id: string) => library.patterns.get(id)?.name ?? id;
  const has = new Set(items.map(({ pattern }) => pattern));
  const others = [...library.patterns.values()]
    .filter(({ id, dance }) => dances.includes(dance) && !has.has(id))
    .sort((a, b) => a.name.localeCompare(b.name));
  const put = (item: CourseItem, more: Parameters<typeof itemField>[1]) =>
    editing.edit(`Rules of ${nameOf(item.pattern)}`, itemField(item, more));
  const add = (data: FormData) => {
    const id = String(data.get('pattern'));
    if (id) editing.edit(`${nameOf(id)} added`, { [`items/${id}`]: { pattern: id, value: 'should' } });
  };
  return (
    <chakra.section aria-label="Figures" overflowX="auto">
      <chakra.h3 fontSize="lg" mb="1">
        Figures
      </chakra.h3>
      <SettingsTable>
        <thead>
          <tr>
            <th>Figure</th>
            <th>Value</th>
            <th>Not before lesson</th>
            <th>Not after lesson</th>
            <th>Pinned to lesson</th>
            <th>Gate: checked at the end</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {items.map(item => {
            const name = nameOf(item.pattern);
            return (
              <tr key={item.pattern}>
                <td>{name}</td>
                <td>
                  <Select
                    aria-label={`Value of ${name}`}
                    minHeight="2rem"
                    value={item.value}
                    onChange={event => put(item, { value: event.target.value as CourseItem['value'] })}
                  >
                    {VALUES.map(value => (
                      <option key={value}>{value}</option>
                    ))}
                  </Select>
                </td>
                {(
                  [
                    ['from', 'not before lesson'],
                    ['to', 'not after lesson'],
                    ['pin', 'pinned to lesson'],
                  ] as const
                ).map(([field, words]) => (
                  <td key={field}>
                    <NumberField
                      label={`${name} ${words}`}
                      value={item[field]}
                      min={1}
                      max={lessons.length}
                      save={lesson => put(item, { [field]: lesson })}
                    />
                  </td>
                ))}
                <td>
                  <Tick
                    label={`${name} is a gate`}
                    isOn={item.gate === true}
                    set={isGate => put(item, { gate: isGate || undefined })}
                  />
                </td>
                <td>
                  <Button
                    look="quiet"
                    size="small"
                    disabled={saved[item.pattern] !== undefined}
                    title={saved[item.pattern] === undefined ? '' : 'Leave it out on the map first'}
                    onClick={() => editing.edit(`${name} taken off`, { [`items/${item.pattern}`]: null })}
                  >
                    Take off
                  </Button>
                </td>
              </tr>
            );
          })}
        </tbody>
      </SettingsTable>
      {others.length > 0 ? (
        <chakra.form action={add} display="flex" gap="2" mt="2" alignItems="end">
          <chakra.label display="grid" minW="16rem">
            <Label>Another figure of {dances.length > 1 ? 'these dances' : 'this dance'}</Label>
            <Select name="pattern">
              {others.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </Select>
          </chakra.label>
          <Button type="submit">Add it to the course</Button>
        </chakra.form>
      ) : (
        <Label>All figures of the dance are in the course.</Label>
      )}
    </chakra.section>
  );
}
