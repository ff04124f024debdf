import { Injectable, type BeforeApplicationShutdown } from '@nestjs/common';
import PQueue from 'p-queue';
import type { Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import { intoTheFile } from './openDatabase.ts';

/** How long nothing is written before the file is made whole, in ms. */
const IDLE_MS = 2_000;

/** One write at a time: SQLite has one writer, and transactions that wait for it in parallel fail instead of waiting. */
@Injectable()
export class WriteQueue implements BeforeApplicationShutdown {
  readonly #writes = new PQueue({ concurrency: 1 });
  #idle: NodeJS.Timeout | undefined;

  constructor(private readonly sequelize: Sequelize) {}

  /** Runs the work in a transaction of its own after all earlier ones; what it throws rolls it back. */
  run<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    this.#whenIdle();
    return this.#writes.add(() => this.sequelize.transaction(work));
  }

  /** Once nothing was written for a while, everything goes into the file itself, in its turn. */
  #whenIdle(): void {
    clearTimeout(this.#idle);
    this.#idle = setTimeout(() => {
      void this.#writes.add(() => intoTheFile(this.sequelize)).catch(() => undefined);
    }, IDLE_MS).unref();
  }

  beforeApplicationShutdown(): Promise<unknown> {
    clearTimeout(this.#idle);
    return this.#writes.onIdle();
  }
}
