import { Body, Controller, HttpCode, Post, Query, Req, Res } from '@nestjs/common';
import { ApiBody, ApiConsumes, ApiDefaultResponse, ApiOkResponse, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { ANSWER_SCHEMAS } from '@same-song/core/records';
import { invalid } from '../common/errors.ts';
import { ArrangementFinder } from './arrangementFinder.ts';
import { ReadQuery, WriteBody } from './files.dto.ts';
import { FilesService } from './files.service.ts';
import type { Written } from './work.ts';

@ApiTags('files')
@ApiDefaultResponse({ schema: ANSWER_SCHEMAS.error })
@Controller('files')
export class FilesController {
  constructor(
    private readonly files: FilesService,
    private readonly arrangements: ArrangementFinder,
  ) {}

  /** The songs in a file: ABC, MusicXML (compressed too), MIDI, or one of ours; the body is its bytes. */
  @Post('read')
  @HttpCode(200)
  @ApiConsumes('application/octet-stream')
  @ApiBody({ schema: { type: 'string', format: 'binary' } })
  @ApiOkResponse({ schema: { type: 'object' } })
  read(@Query() { name, played, percussion }: ReadQuery, @Req() { body }: Request) {
    if (!Buffer.isBuffer(body))
      throw invalid([{ field: '', wrong: '', message: 'Send the bytes of the file.' }]);
    const bytes = new Uint8Array(body);
    return this.files.run({
      kind: 'read',
      name,
      bytes,
      played: played === '1',
      percussion: percussion === '1',
    });
  }

  /** A song as a file. */
  @Post('write')
  @HttpCode(200)
  @ApiOkResponse({ schema: { type: 'string', format: 'binary' } })
  async write(@Body() { song, as, arrangement }: WriteBody, @Res() response: Response) {
    const on = arrangement === undefined ? undefined : await this.arrangements.found(arrangement);
    const { content, name, type } = (await this.files.run({ kind: 'write', song, as, on })) as Written;
    response.setHeader('Content-Type', type);
    response.setHeader('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
    response.send(Buffer.from(content));
  }
}
