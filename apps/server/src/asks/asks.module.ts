import { Module } from '@nestjs/common';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { AsksController } from './asks.controller.ts';
import { AsksService } from './asks.service.ts';

@Module({ imports: [InstrumentsModule], controllers: [AsksController], providers: [AsksService] })
export class AsksModule {}
