import { ARCHIVE_TABLES, type ArchiveTable } from '@kibble/contract';

/** The columns of a table that an archive holds. */
export const columnsOf = (table: ArchiveTable): string[] => Object.keys(ARCHIVE_TABLES[table]);
/** Columns as SQL text. */
export const listed = (columns: readonly string[]): string => columns.map((c) => `"${c}"`).join(', ');
