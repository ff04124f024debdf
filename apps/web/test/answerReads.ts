interface Row {
  readonly id: string;
  readonly version: number;
  readonly name: string;
}

/** What the server answers to reading records: a list without contents, contents by ids, or one record. */
export function answerReads(rows: readonly Row[], url: URL): unknown {
  const ids = url.searchParams.get('ids')?.split(',');
  if (ids) return rows.filter((row) => ids.includes(row.id));
  const one = rows.find((row) => url.pathname.endsWith(`/${row.id}`));
  if (one) return one;
  return { items: rows.map(({ id, version, name }) => ({ id, version, title: name })), next: null };
}
