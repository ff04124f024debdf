import { Module } from '@nestjs/common';
import { RECORD_KIND_IDS } from '@same-song/core/records';
import { SettingsModule } from '../settings/settings.module.ts';
import { ChangesController } from './changes.controller.ts';
import { ChangesService } from './changes.service.ts';
import { recordsController } from './records.controller.ts';
import { RecordsService } from './records.service.ts';
import { ReferencesService } from './references.service.ts';

/** Records of every kind: reading them, and changing them so that it can be taken back. */
@Module({
  imports: [SettingsModule],
  controllers: [...RECORD_KIND_IDS.map(recordsController), ChangesController],
  providers: [RecordsService, ReferencesService, ChangesService],
  exports: [RecordsService, ChangesService],
})
export class RecordsModule {}
