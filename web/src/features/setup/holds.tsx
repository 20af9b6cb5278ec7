import { chakra } from '@chakra-ui/react';
import { type Contact, type Hold, holdTouches, type Touch } from '@map-step/core';
import { useState } from 'react';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { Window } from '../../ui/window.tsx';
import { HandsGlyph, handsInWords } from '../course/hands-glyph.tsx';
import { type DanceListsProps, idAmong, List, needed, rowsOf } from './dance-list.tsx';
import { HoldDrawing } from './hold-drawing.tsx';

const CONTACTS = optionsOf({
  none: 'no touch',
  hand: 'by hands',
  body: 'by the body',
} satisfies Record<Contact, string>);
const HEIGHTS = optionsOf({ '': 'any height', low: 'low', middle: 'middle', high: 'high' } satisfies Record<
  NonNullable<Touch['height']> | '',
  string
>);

/** How the couples of a dance stand: who touches whom where, which way they face, and where the follower may be. */
export function Holds(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'holds', 'Holds');
  const [edited, edit] = useState<number>();
  const open = edited === undefined ? undefined : rows[edited];
  const facing = (hold: Hold, rel: number | undefined): Hold => {
    const { rel: _, ...rest } = hold;
    return rel === undefined ? rest : { ...rest, rel };
  };
  return (
    <List title="Holds" words="The degrees say how the two face: 180 each other, 0 the same way.">
      <GridTable look="fields" heads={['Called', 'Contact', 'Facing', 'Hands', '']}>
        {rows.map((hold, index) => (
          <TableRow key={hold.id}>
            <TableCell>
              <SavedText
                label={`Name of hold ${index + 1}`}
                hidesLabel
                value={hold.name}
                faultOf={needed}
                save={name => put(index, { ...hold, name })}
              />
            </TableCell>
            <TableCell>
              <Choice
                label={`Contact in ${hold.name}`}
                hidesLabel
                width="9rem"
                value={hold.contact}
                among={CONTACTS}
                set={contact => put(index, { ...hold, contact })}
              />
            </TableCell>
            <TableCell>
              <NumberField
                label={`Facing in ${hold.name}, degrees`}
                value={hold.rel}
                min={-720}
                max={720}
                save={rel => put(index, facing(hold, rel))}
              />
            </TableCell>
            <TableCell>
              <Button size="small" aria-label={`Hands and place of ${hold.name}`} onClick={() => edit(index)}>
                <HandsGlyph hold={hold} />
              </Button>
            </TableCell>
            <TableCell>
              <TakeAway of={hold.name} take={() => take(index)} />
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
      <Button
        size="small"
        onClick={() => add({ id: idAmong(rows, 'hold'), name: 'New hold', contact: 'hand', rel: 180 })}
      >
        One more hold
      </Button>
      {open && edited !== undefined && (
        <Window
          title={`${open.name}: hands and place`}
          isOpen
          close={() => edit(undefined)}
          closeWords="Back to the holds"
        >
          <HoldEditor hold={open} put={next => put(edited, next)} />
        </Window>
      )}
    </List>
  );
}

interface HoldEditorProps {
  readonly hold: Hold;
  put(hold: Hold): void;
}

function HoldEditor({ hold, put }: HoldEditorProps) {
  const touches = holdTouches(hold);
  const putTouches = (touch: readonly Touch[]) => put({ ...hold, touch });
  const putPlace = (place: NonNullable<Hold['place']>) => put({ ...hold, place });
  const isOwn = hold.touch !== undefined || hold.place !== undefined;
  const asUsual = () => {
    const { touch: _, place: __, ...rest } = hold;
    put(rest);
  };
  return (
    <chakra.div display="grid" gap="3">
      <Label>
        From above, the leader full and looking up. Choose a part of the leader, then one of the follower:
        they touch, or let go. Drag the dashed place, or move it with the arrows; Shift changes its size.
      </Label>
      <HoldDrawing hold={hold} putTouches={putTouches} putPlace={putPlace} />
      {touches.length === 0 && <p>Nothing touches.</p>}
      {touches.map((touch, index) => (
        <chakra.div
          key={`${touch.lead} ${touch.follow}`}
          display="flex"
          gap="2"
          alignItems="center"
          flexWrap="wrap"
        >
          <span>{handsInWords({ ...hold, touch: [{ lead: touch.lead, follow: touch.follow }] })}</span>
          <Choice
            label={`Height of touch ${index + 1}`}
            hidesLabel
            size="small"
            width="8rem"
            value={touch.height ?? ''}
            among={HEIGHTS}
            set={height => {
              const { height: _, ...rest } = touch;
              putTouches(touches.with(index, height === '' ? rest : { ...rest, height }));
            }}
          />
        </chakra.div>
      ))}
      {isOwn && (
        <Button size="small" onClick={asUsual}>
          Hands and place as the contact has them
        </Button>
      )}
    </chakra.div>
  );
}
