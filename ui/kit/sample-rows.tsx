interface SampleRowsProps {
  rows: readonly (readonly string[])[];
  columns: number;
  /** the first row is a heading */
  isHeaded?: boolean;
}

/** The first rows of a file, as they stand there. */
export function SampleRows({ rows, columns, isHeaded = false }: SampleRowsProps) {
  return (
    <tbody>
      {rows.map((row, at) => (
        <tr
          // biome-ignore lint/suspicious/noArrayIndexKey: the rows stand as they are
          key={at}
          className={`border-b border-line last:border-0 ${at === 0 && isHeaded ? 'font-semibold' : ''}`}
        >
          {Array.from({ length: columns }, (_, column) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
            <td key={column} className="px-2 py-1 border-l border-line first:border-0 whitespace-nowrap">
              {row[column]}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
}
