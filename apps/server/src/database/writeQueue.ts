import { Injectable } from '@nestjs/common';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';

/** One write at a time: SQLite has one writer, and transactions that wait for it in parallel fail instead of waiting. */
@Injectable()
export class WriteQueue {
  #last: Promise<unknown> = Promise.resolve();

  constructor(private readonly sequelize: Sequelize) {}

  /** Runs the work in a transaction of its own after all earlier ones; what it throws rolls it back. */
  run<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    const result = this.#last.then(() => this.sequelize.transaction(work));
    this.#last = result.catch(() => undefined);
    return result;
  }
}
