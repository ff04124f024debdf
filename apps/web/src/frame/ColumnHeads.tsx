/** Heads of a table's columns, each with its own text. */
export function ColumnHeads({ columns }: { columns: readonly string[] }) {
  return columns.map((column) => (
    <th key={column} scope="col">
      {column}
    </th>
  ));
}
