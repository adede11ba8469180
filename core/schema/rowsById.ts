/** Rows of a table of data, each with the id it is listed under. */
export function rowsById<Id extends string, Row extends object>(rows: Record<Id, Row>): Record<Id, Row & { id: Id }> {
  return Object.fromEntries(Object.entries<Row>(rows).map(([id, row]) => [id, { id, ...row }])) as unknown as Record<
    Id,
    Row & { id: Id }
  >;
}
