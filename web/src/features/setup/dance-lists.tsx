import { chakra } from '@chakra-ui/react';
import type { QualityLayer, WeightClass } from '@map-step/core';
import { Choice, optionsOf } from '../../ui/choice.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TakeAway } from '../../ui/take-away.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { type DanceListsProps, idAmong, List, needed, rowsOf } from './dance-list.tsx';
import { Holds } from './holds.tsx';

const WEIGHTS = optionsOf({
  takes: 'takes the weight',
  none: 'takes none',
  stays: 'both feet stay',
} satisfies Record<WeightClass, string>);

/** The holds, tempos, own actions, pieces and lengths of step that figures of a dance are written in. */
export function DanceLists(props: DanceListsProps) {
  return (
    <>
      {props.dance.roles === 'pair' && <Holds {...props} />}
      <Qualities {...props} />
      <Tempos {...props} />
      <Actions {...props} />
      <Pieces {...props} />
      <StepLengths {...props} />
    </>
  );
}

const LAYERS = optionsOf({
  feet: 'feet',
  knees: 'knees',
  hips: 'hips',
  body: 'body',
  arms: 'arms',
  head: 'head',
  show: 'show',
} satisfies Record<QualityLayer, string>);

function Qualities(props: DanceListsProps) {
  const { rows, put, add, take } = rowsOf(props, 'qualities', 'Qualities');
  return (
    <List
      title="Qualities"
      words="How something is danced, from the feet upward: a row of its own under the step sheet, one in a lesson."
    >
      {rows.map((quality, index) => (
        <chakra.div key={quality.id} display="flex" gap="2" alignItems="center" flexWrap="wrap">
          <SavedText
            label={`Name of quality ${index + 1}`}
            hidesLabel
            value={quality.name}
            faultOf={needed}
            save={name => put(index, { ...quality, name })}
          />
          <Choice
            label={`Where ${quality.name} is seen`}
            hidesLabel
            width="8rem"
            value={quality.layer}
            among={LAYERS}
            set={layer => put(index, { ...quality, layer })}
          />
          <SavedText
            label={`Usual words of ${quality.name}, with commas between them`}
            hidesLabel
            value={quality.words?.join(', ') ?? ''}
            save={text => {
              const words = text.split(',').flatMap(word => word.trim() || []);
              put(index, { ...quality, words });
            }}
          />
          <TakeAway of={quality.name} take={() => take(index)} />
        </chakra.div>
      ))}
      <AddNamed
        label="One more quality"
        add={name => add({ id: idAmong(rows, name), name, layer: 'feet' })}
      />
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
