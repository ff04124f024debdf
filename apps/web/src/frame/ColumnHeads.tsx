import TableCell from '@mui/material/TableCell';

/** Heads of a table's columns, each with its own text. */
export function ColumnHeads({ columns }: { columns: readonly string[] }) {
  return columns.map((column) => (
    <TableCell key={column} component="th" scope="col">
      {column}
    </TableCell>
  ));
}
