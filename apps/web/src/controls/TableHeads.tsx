import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';

/** Heads over the columns of a table, each with its own text; one that is only spoken is `unseen`. */
export function TableHeads({ columns }: { columns: readonly (string | { readonly unseen: string })[] }) {
  return (
    <TableHead>
      <TableRow>
        {columns.map((column) => {
          const text = typeof column === 'string' ? column : column.unseen;
          return (
            <TableCell key={text} component="th" scope="col">
              {column === text ? text : <span className="unseen">{text}</span>}
            </TableCell>
          );
        })}
      </TableRow>
    </TableHead>
  );
}
