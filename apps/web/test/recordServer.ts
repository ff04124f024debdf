import {
  changeBetween,
  DEFAULT_SETTINGS,
  recordTitle,
  withoutChange,
  type Fields,
  type RecordChange,
  type RecordKindId,
  type Write,
} from '@same-song/core/records';

/** A record as the server has it. */
export interface Row {
  readonly kind: RecordKindId;
  readonly id: string;
  content: Fields;
  version: number;
  binned: boolean;
}

/** A refusal, thrown while an answer is worked out. */
class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly current?: object,
  ) {
    super(message);
  }
}

const answerOf = ({ id, version, content }: Row) => ({ ...content, id, version });

/** A server in memory: it keeps records with versions, makes changes and takes them back, and refuses what is stale. */
export class RecordServer {
  readonly rows: Row[] = [];
  /** Versions that clients sent with updates. */
  readonly seen: number[] = [];
  readonly #changes = new Map<string, readonly { row: Row; what: RecordChange | undefined }[]>();
  readonly #held: (() => void)[] = [];
  #isAway = false;
  #holds = false;

  /** Answers in place of the network. */
  install(): this {
    global.fetch = ((path: string, { method = 'GET', body }: { method?: string; body?: string } = {}) =>
      this.#fetch(new URL(path, 'http://here'), method, body)) as typeof fetch;
    return this;
  }

  add(kind: RecordKindId, id: string, content: Fields): Row {
    const row: Row = { kind, id, content, version: 1, binned: false };
    this.rows.push(row);
    return row;
  }

  /** Somebody else changes fields of a record. */
  changeElsewhere(id: string, fields: Fields): void {
    const row = this.#row(id);
    row.content = { ...row.content, ...fields };
    row.version += 1;
  }

  binElsewhere(id: string): void {
    const row = this.#row(id);
    row.binned = true;
    row.version += 1;
  }

  answer(id: string) {
    return answerOf(this.#row(id));
  }

  goAway(): void {
    this.#isAway = true;
  }

  comeBack(): void {
    this.#isAway = false;
  }

  /** From now on writes wait until they are let through. */
  hold(): void {
    this.#holds = true;
  }

  get waiting(): number {
    return this.#held.length;
  }

  /** Lets the write through that waits longest. */
  letThrough(): void {
    this.#held.shift()?.();
  }

  async #fetch(url: URL, method: string, body: string | undefined): Promise<Response> {
    if (this.#isAway) throw new TypeError('no network');
    if (method === 'POST' && this.#holds) await new Promise<void>((go) => this.#held.push(go));
    try {
      return new Response(JSON.stringify(this.#answer(url, method, body && (JSON.parse(body) as object))));
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      const { status, code, message, current } = error;
      return new Response(JSON.stringify({ status, code, message, problems: [], current, write: 0 }), {
        status,
      });
    }
  }

  #answer(url: URL, method: string, body: unknown): unknown {
    const [, , kind, id, act] = url.pathname.split('/');
    if (method === 'GET') return this.#read(kind as RecordKindId | 'settings', id, url.searchParams);
    if (act === 'undo') return this.#undo(id!, (body as { anyway: boolean }).anyway);
    const { writes } = body as { writes: readonly Write[] };
    // All or none of them.
    if (writes.some((write) => write.op === 'create' && (write.content as { name?: string }).name === ''))
      throw new Refused(422, 'invalid', 'A name is missing.');
    return this.#noted(writes.map((write) => this.#write(write)));
  }

  #read(kind: RecordKindId | 'settings', id: string | undefined, query: URLSearchParams): unknown {
    if (kind === 'settings') return { value: DEFAULT_SETTINGS, version: 0 };
    const ofKind = this.rows.filter((row) => row.kind === kind);
    const ids = query.get('ids')?.split(',');
    if (ids) return ofKind.filter((row) => ids.includes(row.id)).map(answerOf);
    if (id) return answerOf(this.#row(id));
    const items = ofKind
      .filter(({ binned }) => binned === (query.get('which') === 'binned'))
      .map((row) => ({ id: row.id, version: row.version, title: recordTitle(kind, row.content) }));
    return { items, next: null };
  }

  #write(write: Write): { row: Row; what: RecordChange | undefined } {
    if (write.op === 'create') {
      const content = { ...write.content };
      const row = this.add(write.kind, `row-${this.rows.length}`, content);
      return { row, what: changeBetween(undefined, { content, binned: false }) };
    }
    const row = this.#row(write.id);
    if (write.op === 'restore') return this.#become(row, row.content, false);
    if (row.binned) throw new Refused(404, 'not-found', 'Not there.');
    if (write.op === 'update') this.seen.push(write.version);
    if (write.version !== row.version) throw new Refused(409, 'stale', 'Stale.', answerOf(row));
    return write.op === 'bin'
      ? this.#become(row, row.content, true)
      : this.#become(row, { ...write.content }, false);
  }

  #become(row: Row, content: Fields, binned: boolean): { row: Row; what: RecordChange | undefined } {
    const what = changeBetween(row, { content, binned });
    if (what) Object.assign(row, { content, binned, version: row.version + 1 });
    return { row, what };
  }

  #undo(id: string, isForced: boolean): unknown {
    const wanted = [...this.#changes.get(id)!].reverse().map(({ row, what }) => {
      const state = what ? withoutChange(what, row, [], isForced) : row;
      if (typeof state !== 'string') return { row, state };
      const message = state === 'binned' ? 'It was put into the bin since.' : 'It was changed since.';
      throw new Refused(409, 'changed-since', message);
    });
    return this.#noted(wanted.map(({ row, state }) => this.#become(row, state.content, state.binned)));
  }

  #noted(done: readonly { row: Row; what: RecordChange | undefined }[]): unknown {
    const id = `change-${this.#changes.size}`;
    this.#changes.set(id, done);
    return { id, records: done.map(({ row }) => answerOf(row)) };
  }

  #row(id: string): Row {
    const found = this.rows.find((row) => row.id === id);
    if (!found) throw new Refused(404, 'not-found', 'Not there.');
    return found;
  }
}
