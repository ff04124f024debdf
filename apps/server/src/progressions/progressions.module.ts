import { Module } from '@nestjs/common';
import { ProgressionsController } from './progressions.controller.ts';
import { ProgressionsService } from './progressions.service.ts';

@Module({ controllers: [ProgressionsController], providers: [ProgressionsService] })
export class ProgressionsModule {}
