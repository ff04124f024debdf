import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { intoTheFile } from './openDatabase.ts';

/** How long nothing is written before the file is made whole, in ms. */
const IDLE_MS = 2_000;

/** One write at a time: SQLite has one writer, and transactions that wait for it in parallel fail instead of waiting. */
@Injectable()
export class WriteQueue implements BeforeApplicationShutdown {
  #last: Promise<unknown> = Promise.resolve();
  #idle: NodeJS.Timeout | undefined;

  constructor(private readonly sequelize: Sequelize) {}

  /** Runs the work in a transaction of its own after all earlier ones; what it throws rolls it back. */
  run<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const result = this.#last.then(() => this.sequelize.transaction(work));
    this.#last = result.catch(() => undefined);
    this.#whenIdle();
    return result;
  }

  /** Once nothing was written for a while, everything goes into the file itself, in its turn. */
  #whenIdle(): void {
    clearTimeout(this.#idle);
    this.#idle = setTimeout(() => {
      this.#last = this.#last.then(() => intoTheFile(this.sequelize)).catch(() => undefined);
    }, IDLE_MS).unref();
  }

  beforeApplicationShutdown(): Promise<unknown> {
    clearTimeout(this.#idle);
    return this.#last;
  }
}
