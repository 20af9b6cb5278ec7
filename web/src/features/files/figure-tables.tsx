import { chakra } from '@chakra-ui/react';
import type { TableResult } from '@map-step/contract';
import { PATHS, printTableOrder } from '@map-step/contract';
import {
  type ColumnMapping,
  ITEM_TABLE,
  MARK_TABLE,
  PATTERN_TABLE,
  readCsv,
  STUDENT_TABLE,
  TABLE_NAMES,
  type TableName,
} from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ChangeEvent, useRef, useState } from 'react';
import { call } from '../../api/client.ts';
import { Choice } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, ButtonLink, Label } from '../../ui/parts.tsx';
import { studioQuery } from '../studio/studio-queries.ts';
import { changesInWords, List, TakeBack } from './import-parts.tsx';
import { JobProgress } from './job-progress.tsx';

const TABLES = {
  patterns: { word: 'figures', table: PATTERN_TABLE },
  items: { word: 'items of courses', table: ITEM_TABLE },
  students: { word: 'students', table: STUDENT_TABLE },
  marks: { word: 'marks of checks', table: MARK_TABLE },
} as const satisfies Record<
  TableName,
  { word: string; table: { columns: readonly { name: string }[]; key: string } }
>;

const KINDS = TABLE_NAMES.map(name => ({ value: name, words: TABLES[name].word }));
/** What a column without a meaning here stands for; no field is called so. */
const NOTHING = '-';

interface ChosenTable {
  readonly name: string;
  readonly text: string;
  readonly columns: readonly string[];
}

/** Tables of a spreadsheet, in and out: what the columns mean, what a table would do, and then doing it. */
export function FigureTables() {
  const file = useRef<HTMLInputElement>(null);
  const [kind, setKind] = useState<TableName>('patterns');
  const [table, setTable] = useState<ChosenTable>();
  const [fault, setFault] = useState<string>();
  const choose = async (event: ChangeEvent<HTMLInputElement>) => {
    const chosen = event.target.files?.[0];
    event.target.value = '';
    if (!chosen) return;
    const text = await chosen.text();
    const rows = readCsv(text);
    const columns = rows.ok ? (rows.value[0]?.cells ?? []) : [];
    setFault(rows.ok ? undefined : `Line ${rows.fault.line}: ${rows.fault.message}`);
    setTable(rows.ok ? { name: chosen.name, text, columns } : undefined);
  };
  return (
    <chakra.div display="grid" gap="3">
      <chakra.h2 fontSize="lg">Tables of a spreadsheet</chakra.h2>
      <chakra.div display="flex" gap="3" flexWrap="wrap" alignItems="center">
        <Label>A table of</Label>
        <Choice
          label="What the table holds"
          hidesLabel
          width="12rem"
          value={kind}
          among={KINDS}
          set={setKind}
        />
        <Button onClick={() => file.current?.click()}>Choose a CSV file</Button>
        <input
          ref={file}
          type="file"
          accept=".csv,text/csv"
          hidden
          onChange={event => void choose(event)}
          aria-label="Table to import"
        />
        <Label>Tables out:</Label>
        {TABLE_NAMES.map(name => (
          <ButtonLink
            key={name}
            size="small"
            href={PATHS['studio.table'].path.replace(':table', name)}
            download
          >
            {TABLES[name].word}
          </ButtonLink>
        ))}
      </chakra.div>
      {fault && <Notice tone="stop" title={`This table cannot be read. ${fault}`} />}
      {table && <TableImport key={`${kind} ${table.name} ${table.text.length}`} kind={kind} table={table} />}
    </chakra.div>
  );
}

function TableImport({ table, kind }: { table: ChosenTable; kind: TableName }) {
  const fields = TABLES[kind].table.columns.map(({ name }) => name);
  const { key } = TABLES[kind].table;
  const client = useQueryClient();
  const { data: studio } = useQuery(studioQuery);
  const [chosen, setMapping] = useState<ColumnMapping>();
  const mapping = chosen ?? studio?.tableColumns[kind] ?? {};
  const [job, setJob] = useState<string>();
  const begin = useMutation({
    mutationFn: (write: boolean) =>
      call('table.import', { body: printTableOrder({ table: kind, text: table.text, mapping, write }) }),
    onSuccess: ({ id }) => {
      setJob(id);
      return client.invalidateQueries({ queryKey: studioQuery.queryKey });
    },
  });
  const named = new Set(table.columns.map(column => mapping[column] ?? column));
  const isNamed = key === 'id' || named.has(key);
  const unknown = table.columns.filter(column => !fields.includes(column));
  return (
    <chakra.div display="grid" gap="3">
      {unknown.length > 0 && (
        <ColumnNames
          columns={unknown}
          fields={fields}
          mapping={mapping}
          setMapping={next => {
            setMapping(next);
            setJob(undefined);
          }}
        />
      )}
      {begin.isError && <Failure error={begin.error} />}
      {!job && (
        <Button
          look="next"
          justifySelf="start"
          disabled={!isNamed || begin.isPending}
          onClick={() => begin.mutate(false)}
        >
          See what {table.name} would do
        </Button>
      )}
      {!isNamed && <Label>Say first which column is the {key}.</Label>}
      {key === 'id' && !named.has(key) && (
        <Label>A row without an id gets one from its name; one that is there is known by it.</Label>
      )}
      {job && (
        <JobProgress
          id={job}
          done={result =>
            'totals' in result && (
              <TableOutcome
                result={result}
                job={job}
                write={() => begin.mutate(true)}
                isPending={begin.isPending}
              />
            )
          }
        />
      )}
    </chakra.div>
  );
}

interface ColumnNamesProps {
  readonly columns: readonly string[];
  readonly fields: readonly string[];
  readonly mapping: ColumnMapping;
  setMapping(mapping: ColumnMapping): void;
}

/** What a foreign column means; it is kept for the next table. */
function ColumnNames({ columns, fields, mapping, setMapping }: ColumnNamesProps) {
  const options = [
    { value: NOTHING, words: 'nothing here' },
    ...fields.map(field => ({ value: field, words: field })),
  ];
  const choose = (column: string, field: string) => {
    const { [column]: _, ...rest } = mapping;
    setMapping(field === NOTHING ? rest : { ...rest, [column]: field });
  };
  return (
    <chakra.fieldset border="0" display="flex" gap="3" flexWrap="wrap">
      <chakra.legend fontWeight="600" mb="1">
        What these columns mean
      </chakra.legend>
      {columns.map(column => (
        <Choice
          key={column}
          label={column}
          width="12rem"
          value={mapping[column] ?? NOTHING}
          among={options}
          set={field => choose(column, field)}
        />
      ))}
    </chakra.fieldset>
  );
}

interface TableOutcomeProps {
  readonly result: TableResult;
  readonly job: string;
  readonly isPending: boolean;
  write(): void;
}

function TableOutcome({ result, job, write, isPending }: TableOutcomeProps) {
  const { totals, written } = result;
  const count = totals.fresh + totals.changed;
  const words = `${totals.fresh} new, ${totals.changed} changed, ${totals.unchanged} unchanged, ${totals.faults} faults`;
  return (
    <chakra.div display="grid" gap="3">
      <Notice
        tone={written ? 'ready' : totals.faults > 0 ? 'stop' : 'now'}
        title={written ? `Written: ${words}` : words}
      >
        {written ? (
          <TakeBack job={job} />
        ) : (
          count > 0 && (
            <Button look="next" mt="2" disabled={isPending} onClick={write}>
              Write {totals.fresh} new and {totals.changed} changed rows
              {totals.faults > 0 ? ', without the rows at fault' : ''}
            </Button>
          )
        )}
      </Notice>
      {result.faults.length > 0 && (
        <List title="At fault" total={totals.faults} shown={result.faults.length}>
          {result.faults.map(({ line, column, message }) => (
            <li key={`${line} ${column} ${message}`}>
              Line {line}
              {column && `, ${column}`}: {message}
            </li>
          ))}
        </List>
      )}
      {result.changed.length > 0 && (
        <List title="Changed" total={totals.changed} shown={result.changed.length}>
          {result.changed.map(({ line, name, fields }) => (
            <li key={line}>
              Line {line}, {name}: {changesInWords(fields)}
            </li>
          ))}
        </List>
      )}
      {result.fresh.length > 0 && (
        <List title="New" total={totals.fresh} shown={result.fresh.length}>
          {result.fresh.map(({ line, id, name }) => (
            <li key={id}>
              Line {line}: {name}
            </li>
          ))}
        </List>
      )}
    </chakra.div>
  );
}
