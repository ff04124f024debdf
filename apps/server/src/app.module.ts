import { Module, type DynamicModule } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { ThrottlerGuard, ThrottlerModule } from '@nestjs/throttler';
import type { Config } from './config.ts';
import { DatabaseModule } from './database/database.module.ts';
import { ExchangeModule } from './exchange/exchange.module.ts';
import { RecordsModule } from './records/records.module.ts';
import type { OpenDatabase } from './database/openDatabase.ts';
import { FilesModule } from './files/files.module.ts';
import { HealthController } from './health.controller.ts';

@Module({})
export class AppModule {
  static of(config: Config, database: OpenDatabase): DynamicModule {
    return {
      module: AppModule,
      imports: [
        DatabaseModule.of(database),
        ThrottlerModule.forRoot([{ ttl: 60_000, limit: config.requestsPerMinute }]),
        RecordsModule,
        ExchangeModule,
        FilesModule,
      ],
      controllers: [HealthController],
      providers: [{ provide: APP_GUARD, useClass: ThrottlerGuard }],
    };
  }
}
