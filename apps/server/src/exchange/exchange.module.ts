import { Module } from '@nestjs/common';
import { SettingsModule } from '../settings/settings.module.ts';
import { ExchangeController } from './exchange.controller.ts';
import { ExchangeService } from './exchange.service.ts';

@Module({ imports: [SettingsModule], controllers: [ExchangeController], providers: [ExchangeService] })
export class ExchangeModule {}
