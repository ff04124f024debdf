import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import type { FactTable, Remark } from '@same-song/core/instruments';
import type { LineView } from '@same-song/core/route';
import { FigureTools } from '../controls/FigureTools.tsx';
import { TableHeads } from '../controls/TableHeads.tsx';
import { useRoving } from '../frame/roving.ts';

/** What to do at single notes of the line, in order. */
export function Remarks({
  remarks,
  line,
  onSelect,
}: {
  remarks: readonly Remark[];
  line: readonly LineView[];
  onSelect: (noteId: string) => void;
}) {
  const roving = useRoving<HTMLUListElement>('button');
  if (remarks.length === 0) return null;
  return (
    <section>
      <h2>On the way</h2>
      <ul className="remarks" {...roving}>
        {remarks.map((remark, i) => (
          <li key={i}>
            <button type="button" className="link" tabIndex={-1} onClick={() => onSelect(remark.noteId)}>
              note {line.findIndex((note) => note.id === remark.noteId) + 1}
            </button>{' '}
            {remark.text}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Facts of this instrument in rows and columns; a row of the selected way is lit. */
export function FactTables({
  tables,
  selected,
}: {
  tables: readonly FactTable[];
  selected: string | undefined;
}) {
  return tables.map((table) => (
    <figure key={table.id} className="figure" aria-label={table.title}>
      <h2>{table.title}</h2>
      <Table className="fact-table" aria-label={table.title}>
        <TableHeads columns={table.columns} />
        <TableBody>
          {table.rows.map((row, i) => (
            <TableRow key={i} className={selected && row.wayIds?.includes(selected) ? 'lit' : ''}>
              {row.cells.map((cell, j) => (
                <TableCell key={j}>{cell}</TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <p className="fact-about soft small">{table.about}</p>
      <FigureTools title={table.title} />
    </figure>
  ));
}
