import type sqlite3 from 'sqlite3';

type Library = typeof sqlite3;
type Opened = (this: sqlite3.Database, error: Error | null) => void;

/**
 * The SQLite library with every connection set to write each transaction to the disk before it is acknowledged. Set on the
 * connection as it opens: the object-relational mapper opens one for each transaction and runs no hook for it.
 */
export function fullySynchronous(library: Library): Library {
  class Database extends library.Database {
    constructor(file: string, mode: number, opened: Opened) {
      super(file, mode, (error) => {
        if (error) return opened.call(this, error);
        this.run('PRAGMA synchronous = FULL', (failed: Error | null) => opened.call(this, failed));
      });
    }
  }
  return { ...library, Database } as Library;
}
