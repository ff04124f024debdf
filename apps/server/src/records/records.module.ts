import { Module } from '@nestjs/common';
import { RECORD_KIND_IDS } from '@same-song/core';
import { ExchangeController } from '../exchange/exchange.controller.ts';
import { ExchangeService } from '../exchange/exchange.service.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { recordsController } from './records.controller.ts';
import { RecordsService } from './records.service.ts';

/** Records of every kind, and all of them out to a file and in again. */
@Module({
  imports: [SettingsModule],
  controllers: [...RECORD_KIND_IDS.map(recordsController), ExchangeController],
  providers: [RecordsService, ExchangeService],
  exports: [RecordsService],
})
export class RecordsModule {}
