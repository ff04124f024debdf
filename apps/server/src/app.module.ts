import { Module, type DynamicModule } from '@nestjs/common';
import { APP_GUARD } from '@nestjs/core';
import { ThrottlerGuard, ThrottlerModule } from '@nestjs/throttler';
import { QuestionsModule } from './questions/questions.module.ts';
import type { Config } from './config.ts';
import { ExchangeModule } from './exchange/exchange.module.ts';
import { DatabaseModule } from './database/database.module.ts';
import type { OpenDatabase } from './database/openDatabase.ts';
import { HealthController } from './health.controller.ts';
import { InstrumentsModule } from './instruments/instruments.module.ts';
import { LayoutsModule } from './layouts/layouts.module.ts';
import { ProgressionsModule } from './progressions/progressions.module.ts';
import { SettingsModule } from './settings/settings.module.ts';

@Module({})
export class AppModule {
  static of(config: Config, database: OpenDatabase): DynamicModule {
    return {
      module: AppModule,
      imports: [
        DatabaseModule.of(database),
        ThrottlerModule.forRoot([{ ttl: 60_000, limit: config.requestsPerMinute }]),
        InstrumentsModule,
        QuestionsModule,
        ProgressionsModule,
        LayoutsModule,
        SettingsModule,
        ExchangeModule,
      ],
      controllers: [HealthController],
      providers: [{ provide: APP_GUARD, useClass: ThrottlerGuard }],
    };
  }
}
