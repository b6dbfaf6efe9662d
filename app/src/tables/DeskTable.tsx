import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type Header,
  type SortingState,
} from '@tanstack/react-table';
import { Link } from 'expo-router';
import { useRef, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { Menu, Text, TouchableRipple } from 'react-native-paper';
import { useSignedIn } from '@/data';
import { commonText } from '@/language/common';
import { keptChoice } from '@/platform/keptChoice';
import { printTable } from '@/platform/printTable';
import { Icon as PaperIcon, pressedBySpace, useInks } from '@/ui';
import { DropMenu } from '@/ui/DropMenu';

const { useKept: useHidden, put: putHidden } = keptChoice<{ hidden: readonly string[] }>(
  'columns',
  { hidden: [] },
);

export interface Column<T> {
  id: string;
  title: string;
  /** What it is sorted by; null stands last. */
  value: (row: T) => string | number | null;
  cell: (row: T) => ReactNode;
  /** Share of the width. */
  flex: number;
  /** Something to press stands in it: the row’s link does not lie over it. */
  isControl?: boolean;
}

interface Props<T> {
  /** Under which the person’s choice of columns is kept. */
  name: string;
  label: string;
  rows: readonly T[];
  columns: readonly Column<T>[];
  idOf: (row: T) => string;
  /** Where a row leads, and what a screen reader calls that. */
  linkOf: (row: T) => { href: string; label: string };
  chosen: string | undefined;
  /** Left out: as they come. */
  sortedBy?: string;
  isNewestFirst?: boolean;
}

/** Rows at the desk: sorted by their heads, walked by arrows, each leads somewhere. */
export function DeskTable<T>({
  name,
  label,
  rows,
  columns: all,
  idOf,
  linkOf,
  chosen,
  sortedBy,
  isNewestFirst = false,
}: Props<T>) {
  const inks = useInks();
  const body = useRef<View>(null);
  const of = `${name} ${useSignedIn().me.person.id}`;
  const { hidden } = useHidden(of);
  const columns = all.filter((c, i) => i === 0 || !hidden.includes(c.id));
  const [sorting, setSorting] = useState<SortingState>(
    sortedBy ? [{ id: sortedBy, desc: isNewestFirst }] : [],
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- the compiler leaves this one alone
  const table = useReactTable<T>({
    data: rows as T[],
    columns: columns.map((c): ColumnDef<T> => ({
      id: c.id,
      accessorFn: (row) => c.value(row) ?? undefined,
      sortUndefined: 'last',
      sortingFn: 'alphanumeric',
    })),
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: idOf,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const heads = table.getHeaderGroups()[0]?.headers ?? [];
  return (
    <View>
      <View style={styles.over}>
        <TableKey
          text={commonText.print}
          onPress={() =>
            printTable(
              label,
              columns.map((c) => c.title),
              cellsIn(body),
            )
          }
        />
        <ColumnMenu
          columns={all.slice(1)}
          hidden={hidden}
          onFlip={(id) =>
            putHidden(of, {
              hidden: hidden.includes(id) ? hidden.filter((h) => h !== id) : [...hidden, id],
            })
          }
        />
      </View>
      <View role="table" aria-label={label} {...arrowKeys(body)}>
        <View role="row" style={[styles.row, styles.heads, { borderBottomColor: inks.line }]}>
          {columns.map((c, i) => (
            <View key={c.id} role="columnheader" style={{ flex: c.flex }} {...sortedAs(heads[i])}>
              <Head title={c.title} header={heads[i]} />
            </View>
          ))}
        </View>
        <View ref={body} role="rowgroup">
          {table.getRowModel().rows.map(({ id, original }) => {
            const link = linkOf(original);
            return (
              <View
                key={id}
                role="row"
                style={[
                  styles.row,
                  { borderBottomColor: inks.line },
                  id === chosen && { backgroundColor: inks.brandSoft },
                ]}
              >
                {columns.map((c, i) => (
                  <View
                    key={c.id}
                    role="cell"
                    style={[
                      { flex: c.flex, minWidth: 0 },
                      i === 0 && styles.first,
                      c.isControl && styles.control,
                    ]}
                  >
                    {c.cell(original)}
                    {i === 0 ? (
                      <Link
                        href={link.href as never}
                        aria-label={link.label}
                        aria-current={id === chosen ? 'true' : undefined}
                        style={styles.link}
                      />
                    ) : null}
                  </View>
                ))}
              </View>
            );
          })}
        </View>
      </View>
    </View>
  );
}

/** What the rows say as they stand: narrowed, sorted, with the columns that were chosen. */
const cellsIn = (body: React.RefObject<View | null>): string[][] =>
  [...((body.current as unknown as HTMLElement | null)?.querySelectorAll('[role=row]') ?? [])].map(
    (row) =>
      [...row.querySelectorAll<HTMLElement>('[role=cell]')].map((cell) => cell.innerText.trim()),
  );

function TableKey({ text, icon, onPress }: { text: string; icon?: string; onPress: () => void }) {
  const inks = useInks();
  return (
    <TouchableRipple
      role="button"
      aria-haspopup={icon ? 'menu' : undefined}
      onPress={onPress}
      {...pressedBySpace(onPress)}
      style={styles.head}
    >
      <View style={styles.headInner}>
        <Text style={{ fontSize: 14, color: inks.inkSoft }}>{text}</Text>
        {icon ? <PaperIcon name={icon} size={18} color={inks.inkSoft} /> : null}
      </View>
    </TouchableRipple>
  );
}

/** Which columns are shown; the first one always is. */
function ColumnMenu({
  columns,
  hidden,
  onFlip,
}: {
  columns: readonly { id: string; title: string }[];
  hidden: readonly string[];
  onFlip: (id: string) => void;
}) {
  return (
    <DropMenu
      label={commonText.columns}
      anchor={(show) => <TableKey text={commonText.columns} icon="chevron-down" onPress={show} />}
    >
      {() =>
        columns.map((c) => (
          <Menu.Item
            key={c.id}
            title={c.title}
            accessibilityLabel={`${c.title}: ${hidden.includes(c.id) ? commonText.hidden : commonText.shown}`}
            leadingIcon={hidden.includes(c.id) ? 'checkbox-blank-outline' : 'checkbox-marked'}
            onPress={() => onFlip(c.id)}
          />
        ))
      }
    </DropMenu>
  );
}

function Head<T>({ title, header }: { title: string; header: Header<T, unknown> | undefined }) {
  const inks = useInks();
  const sorted = header?.column.getIsSorted();
  return (
    <TouchableRipple
      role="button"
      onPress={() => header?.column.toggleSorting()}
      style={styles.head}
    >
      <View style={styles.headInner}>
        <Text style={{ fontSize: 14, fontWeight: '700', color: sorted ? inks.ink : inks.inkSoft }}>
          {title}
        </Text>
        {sorted ? (
          <PaperIcon
            name={sorted === 'asc' ? 'chevron-up' : 'chevron-down'}
            size={18}
            color={inks.ink}
          />
        ) : null}
      </View>
    </TouchableRipple>
  );
}

function sortedAs<T>(header: Header<T, unknown> | undefined): object {
  const sorted = header?.column.getIsSorted();
  return sorted ? { 'aria-sort': sorted === 'asc' ? 'ascending' : 'descending' } : {};
}

/** Up and down walk the rows; Enter follows the one with the focus. */
function arrowKeys(body: React.RefObject<View | null>): object {
  return {
    onKeyDown: (event: { key: string; preventDefault: () => void }): void => {
      if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
      const links = [
        ...((body.current as unknown as HTMLElement | null)?.querySelectorAll('a') ?? []),
      ];
      const at = links.indexOf(document.activeElement as HTMLAnchorElement);
      const next = links[Math.max(0, at + (event.key === 'ArrowDown' ? 1 : -1))];
      if (!next) return;
      event.preventDefault();
      next.focus();
    },
  };
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: 12,
    minHeight: 56,
    paddingHorizontal: 14,
    paddingVertical: 6,
    borderBottomWidth: 1,
  },
  over: { flexDirection: 'row', justifyContent: 'flex-end', gap: 16, paddingHorizontal: 14 },
  heads: { minHeight: 48, paddingVertical: 0 },
  head: { minHeight: 48, justifyContent: 'center', borderRadius: 6 },
  headInner: { flexDirection: 'row', alignItems: 'center', gap: 2 },
  // The link lies over the whole row and above its other cells, so that all of it can be tapped.
  first: { position: 'static', zIndex: 1 },
  control: { zIndex: 2, alignItems: 'flex-start' },
  link: { position: 'absolute', left: 0, right: 0, top: 0, bottom: 0, zIndex: 1 },
});
