import { findingInput, type FindingView } from '@kibble/contract';
import type { FindingRow } from '../db/models.ts';
import { read } from '../errors.ts';

/** A stored finding as it is shown. */
export const findingToView = (row: FindingRow): FindingView => ({
  id: row.id,
  bedId: row.bedId,
  tapId: row.tapId,
  on: row.date,
  method: row.method as FindingView['method'],
  input: read(findingInput, JSON.parse(row.input)),
  note: row.note,
});
