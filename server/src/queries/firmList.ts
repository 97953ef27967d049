import type { Pool } from 'pg';
import { type Database, inTransaction } from '../database.ts';
import { lockWorkspace } from './workspace.ts';

/** A row of one of the firm's lists. */
export interface Listed<T> {
  readonly id: string;
  readonly version: number;
  readonly document: T;
}

/** Entries that a list of the firm holds at most: a list, not a warehouse. */
export const MOST_LISTED = 2000;

const ORDER = { part: 'kind, name, id', appliance: 'name, id' } as const;

/** The firm's own parts and its measured appliances: documents with a version each. */
export class FirmList<T> {
  readonly #table: keyof typeof ORDER;

  constructor(table: keyof typeof ORDER) {
    this.#table = table;
  }

  async list(db: Database, workspace: string): Promise<Listed<T>[]> {
    const { rows } = await db.query<Listed<T>>(
      `select id, version, document from ${this.#table} where workspace_id = $1 order by ${ORDER[this.#table]}`,
      [workspace],
    );
    return rows;
  }

  async read(db: Database, workspace: string, id: string): Promise<Listed<T> | null> {
    const { rows } = await db.query<Listed<T>>(
      `select id, version, document from ${this.#table} where workspace_id = $1 and id = $2`,
      [workspace, id],
    );
    return rows[0] ?? null;
  }

  /**
   * Makes an entry under the id its maker chose; one that is there already stays as it is and is answered: the same
   * call, sent again.
   * @returns the entry and whether it was made now; null when the list is full
   */
  async insert(
    pool: Pool,
    workspace: string,
    id: string,
    document: T,
  ): Promise<{ readonly stored: Listed<T>; readonly isNew: boolean } | null> {
    return inTransaction(pool, async (db) => {
      // Counted under a lock: of many makers at once none gets past the limit.
      await lockWorkspace(db, workspace);
      const there = await this.read(db, workspace, id);
      if (there) return { stored: there, isNew: false };
      const { rows } = await db.query<Listed<T>>(
        `insert into ${this.#table} (workspace_id, id, document)
         select $1, $2, $3 where (select count(*) from ${this.#table} where workspace_id = $1) < ${MOST_LISTED}
         returning id, version, document`,
        [workspace, id, JSON.stringify(document)],
      );
      return rows[0] ? { stored: rows[0], isNew: true } : null;
    });
  }

  /** Null when there is no such entry in the version that its writer has seen. */
  async replace(db: Database, workspace: string, id: string, seen: number, document: T): Promise<Listed<T> | null> {
    const { rows } = await db.query<Listed<T>>(
      `update ${this.#table} set document = $4, version = version + 1
        where workspace_id = $1 and id = $2 and version = $3 returning id, version, document`,
      [workspace, id, seen, JSON.stringify(document)],
    );
    return rows[0] ?? null;
  }

  /** @param seen the version its remover has seen; null = whatever it is */
  async remove(db: Database, workspace: string, id: string, seen: number | null): Promise<boolean> {
    const { rowCount } = await db.query(
      `delete from ${this.#table} where workspace_id = $1 and id = $2 and version = coalesce($3, version)`,
      [workspace, id, seen],
    );
    return rowCount === 1;
  }
}
