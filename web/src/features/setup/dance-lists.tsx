import { chakra } from '@chakra-ui/react';
import { type Contact, type Dance, freeId, type Hold, type WeightClass } from '@map-step/core';
import type { ReactNode } from 'react';
import type { Commands } from '../../api/commands.ts';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { TextField } from '../../ui/text-field.tsx';

const CONTACTS = optionsOf({
  none: 'no touch',
  hand: 'by hands',
  body: 'by the body',
} satisfies Record<Contact, string>);
const WEIGHTS = optionsOf({
  takes: 'takes the weight',
  none: 'takes none',
  stays: 'both feet stay',
} satisfies Record<WeightClass, string>);

interface DanceListsProps {
  readonly dance: Dance;
  readonly commands: Commands<Dance>;
}

/** The holds, tempos, own actions, pieces and lengths of step that figures of a dance are written in. */
export function DanceLists(props: DanceListsProps) {
  return (
    <>
      {props.dance.roles === 'pair' && <Holds {...props} />}
      <Tempos {...props} />
      <Actions {...props} />
      <Pieces {...props} />
      <StepLengths {...props} />
    </>
  );
}

type Lists = Pick<Dance, 'holds' | 'tempo' | 'actions' | 'pieces'>;

/** One list of a dance: changing, adding and taking away a row of it. */
function rowsOf<Key extends keyof Lists>({ dance, commands }: DanceListsProps, key: Key, what: string) {
  type Row = NonNullable<Lists[Key]>[number];
  const rows: readonly Row[] = dance[key] ?? [];
  const write = (words: string, next: readonly Row[]) =>
    commands.edit(words, now => ({ ...now, [key]: next }));
  return {
    rows,
    put: (index: number, row: Row) => write(what, rows.with(index, row)),
    add: (row: Row) => write(`${what} added`, [...rows, row]),
    take: (index: number) => write(`${what} taken away`, rows.toSpliced(index, 1)),
  };
}

function Holds(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'holds', 'Holds');
  const facing = (hold: Hold, rel: number | undefined): Hold => {
    const { rel: _, ...rest } = hold;
    return rel === undefined ? rest : { ...rest, rel };
  };
  return (
    <List title="Holds" words="The degrees say how the two face: 180 each other, 0 the same way.">
      <GridTable look="fields" heads={['Called', 'Contact', 'Facing', '']}>
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
                min={-360}
                max={360}
                save={rel => put(index, facing(hold, rel))}
              />
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
    </List>
  );
}

function Tempos(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'tempo', 'Tempo');
  return (
    <List
      title="Tempo, beats in a minute"
      words="The music it is danced to; several bands where its footwork changes."
    >
      {rows.map((band, index) => (
        <chakra.div key={`band-${index + 1}`} display="flex" gap="2" alignItems="center">
          <NumberField
            label={`Slowest of band ${index + 1}`}
            value={band.min}
            min={1}
            save={min => min !== undefined && put(index, { ...band, min })}
          />
          to
          <NumberField
            label={`Fastest of band ${index + 1}`}
            value={band.max}
            min={1}
            save={max => max !== undefined && put(index, { ...band, max })}
          />
          <Label>
            {Math.round(band.min / props.dance.beatsPerBar)} to{' '}
            {Math.round(band.max / props.dance.beatsPerBar)} bars
          </Label>
          <TakeAway of={`band ${index + 1}`} take={() => take(index)} />
        </chakra.div>
      ))}
      <Button size="small" onClick={() => add({ min: 100, max: 120 })}>
        One more band
      </Button>
    </List>
  );
}

function Actions(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'actions', 'Actions');
  return (
    <List title="Actions of its own" words="Steps that only this dance knows, besides the usual ones.">
      {rows.map((action, index) => (
        <chakra.div key={action.id} display="flex" gap="2" alignItems="center">
          <chakra.span minW="8rem">{action.id}</chakra.span>
          <Choice
            label={`Weight of ${action.id}`}
            hidesLabel
            width="11rem"
            value={action.weight}
            among={WEIGHTS}
            set={weight => put(index, { ...action, weight })}
          />
          <TakeAway of={action.id} take={() => take(index)} />
        </chakra.div>
      ))}
      <AddNamed label="One more action" add={name => add({ id: idAmong(rows, name), weight: 'takes' })} />
    </List>
  );
}

function Pieces(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'pieces', 'Pieces');
  return (
    <List title="Pieces" words="Short runs of steps with a name; typed by it in the step sheet.">
      <GridTable look="fields" heads={['Called', 'Rhythm', 'Steps', '']}>
        {rows.map((piece, index) => (
          <TableRow key={piece.id}>
            {(['name', 'rhythm', 'steps'] as const).map(key => (
              <TableCell key={key}>
                <SavedText
                  label={`${key === 'name' ? 'Name' : key === 'rhythm' ? 'Rhythm' : 'Steps'} of piece ${index + 1}`}
                  hidesLabel
                  value={piece[key]}
                  faultOf={needed}
                  save={text => put(index, { ...piece, [key]: text })}
                />
              </TableCell>
            ))}
            <TableCell>
              <TakeAway of={piece.name} take={() => take(index)} />
            </TableCell>
          </TableRow>
        ))}
      </GridTable>
      <AddNamed
        label="One more piece"
        add={name => add({ id: idAmong(rows, name), name, rhythm: 'QQS', steps: 'L side, R close, L side' })}
      />
    </List>
  );
}

function StepLengths({ dance, commands }: DanceListsProps) {
  const lengths = Object.entries(dance.stepLengths ?? {});
  const put = (action: string, metres: number | undefined) =>
    commands.edit('Length of steps', now => {
      const { [action]: _, ...others } = now.stepLengths ?? {};
      return { ...now, stepLengths: metres === undefined ? others : { ...others, [action]: metres } };
    });
  return (
    <List
      title="Lengths of steps, in metres"
      words="Where they are other than usual; the room a figure takes follows."
    >
      {lengths.map(([action, metres]) => (
        <chakra.div key={action} display="flex" gap="2" alignItems="center">
          <chakra.span minW="8rem">{action}</chakra.span>
          <NumberField
            label={`Length of ${action}`}
            value={metres}
            max={10}
            save={next => put(action, next)}
          />
        </chakra.div>
      ))}
      <AddNamed label="Length of one more action" add={name => put(name, 0.5)} />
    </List>
  );
}

function List({ title, words, children }: { title: string; words: string; children: ReactNode }) {
  return (
    <chakra.section aria-label={title} display="grid" gap="1.5" justifyItems="start">
      <chakra.h2 fontSize="lg">{title}</chakra.h2>
      <Label>{words}</Label>
      {children}
    </chakra.section>
  );
}

function AddNamed({ label, add }: { label: string; add(name: string): void }) {
  return (
    <chakra.form
      display="flex"
      gap="2"
      alignItems="end"
      action={data => {
        const name = String(data.get('name')).trim();
        if (name) add(name);
      }}
    >
      <TextField label={label} hidesLabel name="name" placeholder="its name" maxLength={60} />
      <Button size="small" type="submit">
        {label}
      </Button>
    </chakra.form>
  );
}

const needed = (text: string) => (text.trim() ? undefined : 'Write something here.');

function idAmong(rows: readonly { readonly id: string }[], name: string): string {
  return freeId(name, taken => rows.some(({ id }) => id === taken), 'entry');
}
