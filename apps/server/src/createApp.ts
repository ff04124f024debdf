import { NestFactory } from '@nestjs/core';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { DocumentBuilder, SwaggerModule } from '@nestjs/swagger';
import { constants } from 'node:zlib';
import compression from 'compression';
import { json, raw, type NextFunction, type Request, type Response } from 'express';
import { AppModule } from './app.module.ts';
import { BodyDepthGuard } from './common/bodyDepth.guard.ts';
import { ErrorFilter } from './common/error.filter.ts';
import { originGuard } from './common/originGuard.ts';
import { validationPipe } from './common/validation.pipe.ts';
import type { Config } from './config.ts';
import { ExchangeService } from './exchange/exchange.service.ts';
import { openDatabase } from './database/openDatabase.ts';
import { demoData } from './demo/demoData.ts';
import { securityHeaders, serveWeb } from './web.ts';

/**
 * A whole data set may be imported at once, as long as a text can be here; files of songs, songs to be written and many
 * writes at once may be long; all else is small.
 */
const BODY_LIMIT = {
  import: '400mb',
  file: '13mb',
  write: '13mb',
  changes: '13mb',
  song: '8mb',
  other: '256kb',
};

/** A good deal smaller than the default, at hardly more work; beyond it the work doubles for next to nothing. */
const BROTLI_QUALITY = 8;
/** How long a client may take to send its headers, and the whole of a request, in ms. */
const SENDING = { headersMs: 10_000, requestMs: 30_000 };

/** Opens the database and makes the application, ready to listen. @throws StartError */
export async function createApp(config: Config): Promise<NestExpressApplication> {
  const database = await openDatabase(config.databaseFile);
  try {
    const app = await NestFactory.create<NestExpressApplication>(AppModule.of(config, database), {
      bodyParser: false,
      logger: ['error', 'warn'],
      abortOnError: false,
    });
    app.disable('x-powered-by');
    app.use(...securityHeaders());
    app.use(compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } } }));
    app.use(originGuard(config.host, config.allowedHosts));
    app.use('/api/data/import', json({ limit: BODY_LIMIT.import, strict: false }));
    app.use('/api/files/read', raw({ type: () => true, limit: BODY_LIMIT.file }));
    app.use('/api/files/write', json({ limit: BODY_LIMIT.write }));
    app.use('/api/changes', json({ limit: BODY_LIMIT.changes }));
    app.use('/api/songs', json({ limit: BODY_LIMIT.song }));
    app.use(json({ limit: BODY_LIMIT.other }));
    app.use('/api', keepNothing);
    app.setGlobalPrefix('api');
    app.useGlobalGuards(new BodyDepthGuard());
    app.useGlobalPipes(validationPipe());
    app.useGlobalFilters(new ErrorFilter());
    app.enableShutdownHooks();
    SwaggerModule.setup('api/docs', app, () =>
      SwaggerModule.createDocument(app, new DocumentBuilder().setTitle('Same Song').setVersion('1').build()),
    );
    serveWeb(app, config.webFolder, config.demo);
    await app.init();
    Object.assign(app.getHttpServer(), {
      headersTimeout: SENDING.headersMs,
      requestTimeout: SENDING.requestMs,
      connectionsCheckingInterval: 1000,
    });
    const exchange = app.get(ExchangeService);
    if (config.demo && (await exchange.isEmpty())) await exchange.import(demoData(), true);
    return app;
  } catch (error) {
    await database.close();
    throw error;
  }
}

/** Answers of the API are as they were at that moment: no cache may give them again. */
function keepNothing(_: Request, response: Response, next: NextFunction): void {
  response.setHeader('Cache-Control', 'no-store');
  next();
}
