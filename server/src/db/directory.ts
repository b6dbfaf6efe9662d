import pg from 'pg';
import * as v from 'valibot';
import { nameLook } from '@stennet/core/contract';
import { connected, type Connection } from './connection';
import { migrate } from './migrate';
import { changed, rowsOf } from './statement';
import findCellSql from './queries/findCell.sql';
import noteCellSql from './queries/noteCell.sql';

/** Which cell a name belongs to. One table for all cells; what is in a cell is never asked here. */
export interface Directory {
  /** null: no one is called that. */
  cellOf: (nameKey: string) => Promise<string | null>;
  /** @returns the cell that the name belongs to from now on, or already did */
  note: (nameKey: string, nameLook: string, cell: string) => Promise<string>;
  close: () => Promise<void>;
}

const findCell = rowsOf(findCellSql, v.object({ cell: v.string() }));
const noteCell = changed(noteCellSql);

/** Everyone of a cell is in the directory before its servers serve. */
export async function readyDirectory(
  directoryUrl: string,
  { owner, cell, folder }: { owner: Connection; cell: string; folder: string },
): Promise<void> {
  await migrate(directoryUrl, folder);
  const { rows } = await owner.query<{ name: string; key: string }>(
    'select name, name_key as key from account',
  );
  await connected(directoryUrl, async (client) => {
    for (const { name, key } of rows) await noteCell(client, key, nameLook(name), cell);
  });
}

export function openDirectory(connectionString: string): Directory {
  const pool = new pg.Pool({ connectionString, max: 4, connectionTimeoutMillis: 5000 });
  pool.on('error', () => undefined);
  const cellOf = async (key: string): Promise<string | null> => {
    const client = await pool.connect();
    try {
      return (await findCell(client, key))[0]?.cell ?? null;
    } finally {
      client.release();
    }
  };
  return {
    cellOf,
    note: async (key, look, cell) => {
      const client = await pool.connect();
      try {
        await noteCell(client, key, look, cell);
        // Another name that looks the same stands in its way.
        return (await findCell(client, key))[0]?.cell ?? '';
      } finally {
        client.release();
      }
    },
    close: () => pool.end(),
  };
}
