import { chakra, type SlotRecipeConfig, Table } from '@chakra-ui/react';
import { tableSlotRecipe } from '@chakra-ui/react/theme';
import type { ReactNode } from 'react';

const RECIPE = {
  ...tableSlotRecipe,
  base: {
    ...tableSlotRecipe.base,
    root: { ...tableSlotRecipe.base?.root, fontSize: 'sm' },
    columnHeader: {
      ...tableSlotRecipe.base?.columnHeader,
      textAlign: 'start',
      fontWeight: '600',
      color: 'quiet',
      verticalAlign: 'bottom',
    },
    row: { ...tableSlotRecipe.base?.row, breakInside: 'avoid' },
  },
};

const { base } = RECIPE;
const RECIPES: Readonly<Record<'fields' | 'ruled', SlotRecipeConfig>> = {
  /** Fields in rows, parted by lines. */
  fields: {
    ...RECIPE,
    base: {
      ...base,
      root: { ...base.root, width: 'auto' },
      columnHeader: { ...base.columnHeader, pr: '3', py: '1' },
      cell: { ...base.cell, pr: '3', py: '1', borderTop: '1px solid', borderColor: 'line' },
    },
    variants: {},
  },
  /** Lines around each cell, as on paper. */
  ruled: {
    ...RECIPE,
    base: {
      ...base,
      columnHeader: { ...base.columnHeader, border: '1px solid', borderColor: 'line', p: '1.5' },
      cell: { ...base.cell, border: '1px solid', borderColor: 'line', p: '1.5', verticalAlign: 'top' },
    },
    variants: {},
  },
};

interface GridTableProps {
  readonly look: 'fields' | 'ruled';
  readonly heads: readonly ReactNode[];
  readonly children: ReactNode;
}

/** Rows under the heads of their columns; where there is too little room for them they scroll by themselves. */
export function GridTable({ look, heads, children }: GridTableProps) {
  return (
    <chakra.div overflowX="auto" maxW="full">
      <Table.Root recipe={RECIPES[look]}>
        <Table.Header>
          <Table.Row>
            {heads.map((head, index) => (
              <Table.ColumnHeader key={`head-${index + 1}`}>{head}</Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>{children}</Table.Body>
      </Table.Root>
    </chakra.div>
  );
}

export const TableRow = Table.Row;
export const TableCell = Table.Cell;
