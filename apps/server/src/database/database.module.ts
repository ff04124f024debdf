import {
  Global,
  Inject,
  Injectable,
  Module,
  type DynamicModule,
  type OnApplicationShutdown,
} from '@nestjs/common';
import { Sequelize } from 'sequelize-typescript';
import type { OpenDatabase } from './openDatabase.ts';
import { WriteQueue } from './writeQueue.ts';

const OPENED = Symbol('the opened database');

/** Lets go of the database when the application ends. */
@Injectable()
class DatabaseCloser implements OnApplicationShutdown {
  constructor(@Inject(OPENED) private readonly opened: OpenDatabase) {}

  onApplicationShutdown(): Promise<void> {
    return this.opened.close();
  }
}

/** Offers the database that was opened before the application was made. */
@Global()
@Module({})
export class DatabaseModule {
  static of(opened: OpenDatabase): DynamicModule {
    return {
      module: DatabaseModule,
      providers: [
        { provide: OPENED, useValue: opened },
        { provide: Sequelize, useValue: opened.sequelize },
        WriteQueue,
        DatabaseCloser,
      ],
      exports: [Sequelize, WriteQueue],
    };
  }
}
