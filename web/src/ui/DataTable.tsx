import {
  flexRender,
  getCoreRowModel,
  getPaginationRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type PaginationState,
  type SortingState,
} from '@tanstack/react-table';
import { ChevronDown, ChevronUp, ChevronsUpDown } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { Button } from './Button.tsx';

/** A column: its heading, what it shows, and what it is sorted by. */
export interface Column<T> {
  id: string;
  heading: ReactNode;
  show: (row: T) => ReactNode;
  /** Rows may be put in the order of this. */
  by?: (row: T) => number | string;
  className?: string;
  headClassName?: string;
  /** It names the row. */
  names?: boolean;
}

interface Props<T> {
  caption: string;
  columns: readonly Column<T>[];
  rows: readonly T[];
  rowKey: (row: T) => string | number;
  /** So many rows are shown at a time, and the words to the earlier and the later ones. */
  pages?: { rows: number; back: string; on: string };
  rowClassName?: string;
  className?: string;
}

/** A table whose rows are sorted by a press on a heading: upward, downward, and as they were. */
export function DataTable<T>({
  caption,
  columns,
  rows,
  rowKey,
  pages,
  rowClassName = 'border-t border-rule align-baseline',
  className = 'w-full',
}: Props<T>) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const [pagination, setPagination] = useState<PaginationState>({
    pageIndex: 0,
    pageSize: pages?.rows ?? Number.MAX_SAFE_INTEGER,
  });
  const looks = new Map(columns.map((column) => [column.id, column]));
  const table = useReactTable<T>({
    data: rows as T[],
    columns: columns.map(({ id, heading, show, by }): ColumnDef<T> => ({
      id,
      header: () => heading,
      accessorFn: by ?? (() => ''),
      enableSorting: by !== undefined,
      cell: ({ row }) => show(row.original),
    })),
    state: { sorting, pagination },
    onSortingChange: setSorting,
    onPaginationChange: setPagination,
    getRowId: (row) => String(rowKey(row)),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getPaginationRowModel: getPaginationRowModel(),
    sortDescFirst: false,
    autoResetPageIndex: false,
  });
  return (
    <>
      <div className="relative overflow-x-auto">
        <table className={className}>
          <caption className="sr-only">{caption}</caption>
          <thead className="text-left text-sm text-quiet">
            {table.getHeaderGroups().map((group) => (
              <tr key={group.id}>
                {group.headers.map((header) => {
                  const sorted = header.column.getIsSorted();
                  const Arrow =
                    sorted === 'asc' ? ChevronUp : sorted === 'desc' ? ChevronDown : ChevronsUpDown;
                  const words = flexRender(header.column.columnDef.header, header.getContext());
                  return (
                    <th
                      key={header.id}
                      scope="col"
                      aria-sort={
                        sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined
                      }
                      className={`py-1 pr-3 font-normal ${looks.get(header.id)?.headClassName ?? looks.get(header.id)?.className ?? ''}`}
                    >
                      {header.column.getCanSort() ? (
                        <button
                          type="button"
                          className="inline-flex min-h-8 items-center gap-0.5 text-left max-md:min-h-11 max-md:min-w-11"
                          onClick={header.column.getToggleSortingHandler()}
                        >
                          {words}
                          <Arrow aria-hidden className="size-3.5 shrink-0" />
                        </button>
                      ) : (
                        words
                      )}
                    </th>
                  );
                })}
              </tr>
            ))}
          </thead>
          <tbody>
            {table.getRowModel().rows.map((row) => (
              <tr key={row.id} className={rowClassName}>
                {row.getVisibleCells().map((cell) => {
                  const look = looks.get(cell.column.id);
                  const shown = flexRender(cell.column.columnDef.cell, cell.getContext());
                  return look?.names ? (
                    <th
                      key={cell.id}
                      scope="row"
                      className={`pr-3 text-left font-normal ${look.className ?? ''}`}
                    >
                      {shown}
                    </th>
                  ) : (
                    <td key={cell.id} className={`pr-3 ${look?.className ?? ''}`}>
                      {shown}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {pages && table.getPageCount() > 1 ? (
        <p className="mt-1 flex items-center gap-3">
          <Button
            look="quiet"
            className="-ml-4"
            disabled={!table.getCanPreviousPage()}
            onClick={() => table.previousPage()}
          >
            {pages.back}
          </Button>
          <span className="text-quiet">
            Page {pagination.pageIndex + 1} of {table.getPageCount()}
          </span>
          <Button look="quiet" disabled={!table.getCanNextPage()} onClick={() => table.nextPage()}>
            {pages.on}
          </Button>
        </p>
      ) : null}
    </>
  );
}
