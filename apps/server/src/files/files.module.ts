import { Module } from '@nestjs/common';
import { FilesController } from './files.controller.ts';
import { RecordsModule } from '../records/records.module.ts';
import { ArrangementFinder } from './arrangementFinder.ts';
import { FilesService } from './files.service.ts';

@Module({
  controllers: [FilesController],
  imports: [RecordsModule],
  providers: [FilesService, ArrangementFinder],
})
export class FilesModule {}
