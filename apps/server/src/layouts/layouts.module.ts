import { Module } from '@nestjs/common';
import { LayoutsController } from './layouts.controller.ts';
import { LayoutsService } from './layouts.service.ts';

@Module({ controllers: [LayoutsController], providers: [LayoutsService] })
export class LayoutsModule {}
