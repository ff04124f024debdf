import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiDefaultResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { ANSWER_SCHEMAS } from '@same-song/core/records';
import { SettingsBody } from './settings.dto.ts';
import { SettingsService } from './settings.service.ts';

@ApiTags('settings')
@ApiDefaultResponse({ schema: ANSWER_SCHEMAS.error })
@Controller('settings')
export class SettingsController {
  constructor(private readonly settings: SettingsService) {}

  @Get()
  @ApiOkResponse({ schema: ANSWER_SCHEMAS.settings })
  get() {
    return this.settings.get();
  }

  @Put()
  @ApiOkResponse({ schema: ANSWER_SCHEMAS.settings })
  save(@Body() body: SettingsBody) {
    return this.settings.save(body);
  }
}
