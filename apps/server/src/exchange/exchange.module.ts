import { Module } from '@nestjs/common';
import { RecordsModule } from '../records/records.module.ts';
import { SettingsModule } from '../settings/settings.module.ts';
import { ExchangeController } from './exchange.controller.ts';
import { ExchangeService } from './exchange.service.ts';

/** Everything that is kept, out to a file and in again. */
@Module({
  imports: [RecordsModule, SettingsModule],
  controllers: [ExchangeController],
  providers: [ExchangeService],
})
export class ExchangeModule {}
