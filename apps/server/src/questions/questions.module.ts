import { Module } from '@nestjs/common';
import { InstrumentsModule } from '../instruments/instruments.module.ts';
import { QuestionsController } from './questions.controller.ts';
import { QuestionsService } from './questions.service.ts';

@Module({ imports: [InstrumentsModule], controllers: [QuestionsController], providers: [QuestionsService] })
export class QuestionsModule {}
