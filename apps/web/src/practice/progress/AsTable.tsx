import { Disclosure } from '../../controls/Disclosure.tsx';

interface AsTableProps {
  /** Heads of the columns; none where the rows say enough. */
  readonly heads?: readonly string[];
  /** The first cell of each is its head. */
  readonly rows: readonly (readonly (string | number)[])[];
}

/** The values of a chart, for who would rather read them. */
export function AsTable({ heads = [], rows }: AsTableProps) {
  return (
    <Disclosure summary="As a table">
      <table>
        {heads.length > 0 && (
          <thead>
            <tr>
              {heads.map((head) => (
                <th key={head} scope="col">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
        )}
        <tbody>
          {rows.map(([head, ...cells], i) => (
            <tr key={i}>
              <th scope="row">{head}</th>
              {cells.map((cell, column) => (
                <td key={column}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Disclosure>
  );
}
