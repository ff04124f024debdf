/** The served application, and what the environment decides. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import request from 'supertest';
import { readConfig } from '../src/config.ts';
import { startServer, temporaryFolder } from './server.ts';

describe('the environment', () => {
  test('left out, the server is for this machine alone, on its usual port and data', () => {
    const config = readConfig({});
    expect(config).toMatchObject({
      host: '127.0.0.1',
      port: 4870,
      portFixed: false,
      allowedHosts: [],
      requestsPerMinute: 6000,
      demo: false,
    });
    expect(config.databaseFile).toMatch(/\/data\/same-song\.sqlite$/);
    expect(config.webFolder).toMatch(/\/apps\/web\/dist$/);
    expect(readConfig({ SAME_SONG_DEMO: '1' })).toMatchObject({
      demo: true,
      databaseFile: expect.stringMatching(/\/data\/demo\.sqlite$/),
    });
    expect(readConfig({ SAME_SONG_DEMO: 'yes' }).demo).toBe(false);
    // An empty name would mean every network.
    expect(readConfig({ HOST: '' }).host).toBe('127.0.0.1');
    expect(readConfig({ HOST: ' ' }).host).toBe('127.0.0.1');
  });

  test('what is set is taken', () => {
    const env = { HOST: '0.0.0.0', PORT: '0', SAME_SONG_DB: '/tmp/mine.sqlite', SAME_SONG_WEB: '/tmp/web' };
    expect(
      readConfig({ ...env, ALLOWED_HOSTS: ' Music.Example, ,room.example', REQUESTS_PER_MINUTE: '1' }),
    ).toMatchObject({
      host: '0.0.0.0',
      port: 0,
      portFixed: true,
      databaseFile: resolve('/tmp/mine.sqlite'),
      webFolder: resolve('/tmp/web'),
      allowedHosts: ['music.example', 'room.example'],
      requestsPerMinute: 1,
    });
    expect(readConfig({ PORT: '65535' }).port).toBe(65535);
  });

  test.each([
    ['PORT', '-1'],
    ['PORT', '65536'],
    ['PORT', '80.5'],
    ['PORT', ' '],
    ['PORT', 'eighty'],
    ['REQUESTS_PER_MINUTE', '0'],
    ['REQUESTS_PER_MINUTE', '1000001'],
  ])('%s=%j is refused with its name', (name, value) => {
    expect(() => readConfig({ [name]: value })).toThrow(`${name} must be a whole number`);
  });
});

describe('the application', () => {
  /** A server with a page and one file; without them when not built. */
  async function served(built: boolean, env: Record<string, string> = {}) {
    const folder = temporaryFolder();
    if (built) {
      mkdirSync(join(folder, 'assets'));
      writeFileSync(
        join(folder, 'index.html'),
        '<meta name="csp-nonce" content="__NONCE__"><b>__NONCE__</b><i>__DATA_SET__</i>',
      );
      writeFileSync(join(folder, 'assets/app-1.js'), 'play();');
      writeFileSync(join(folder, 'icon.svg'), '<svg/>');
    }
    const server = await startServer({ SAME_SONG_WEB: folder, ...env });
    return { folder, stop: () => server.stop(), api: () => request(server.app.getHttpServer()) };
  }

  test('its page stands at every place, never kept, with the nonce of the answer', async () => {
    const { api, stop } = await served(true);
    const seen = new Set<string>();
    for (const place of ['/', '/map?in=C', '/keys/table', '/no/such/place']) {
      const { headers, text } = await api().get(place).expect(200).expect('Content-Type', /html/);
      expect(headers['cache-control']).toBe('no-store');
      const [, nonce] = /content="([^"]+)"/.exec(text)!;
      expect(text).toContain(`<b>${nonce}</b>`);
      expect(headers['content-security-policy']).toContain(`'nonce-${nonce}'`);
      seen.add(nonce!);
    }
    expect(seen.size).toBe(4);
    await api().head('/map').expect(200);
    await api().post('/map').expect(404);
    await stop();
  });

  test("its page says whether the data are the demo's or one's own", async () => {
    for (const [env, says] of [
      [{}, '<i>own</i>'],
      [{ SAME_SONG_DEMO: '1' }, '<i>demo</i>'],
    ] as const) {
      const { api, stop } = await served(true, env);
      expect((await api().get('/map').expect(200)).text).toContain(says);
      await stop();
    }
  });

  test('files whose names change with them are kept for a year, others for an hour; a missing one is none', async () => {
    const { api, stop } = await served(true);
    const { headers, text } = await api().get('/assets/app-1.js').expect(200);
    expect([text, headers['cache-control']]).toEqual(['play();', 'public, max-age=31536000, immutable']);
    expect((await api().get('/icon.svg').expect(200)).headers['cache-control']).toBe('public, max-age=3600');
    expect((await api().get('/assets/app-2.js').expect(404)).text).not.toContain('csp-nonce');
    const { body } = await api().get('/api/no-such-thing').expect(404);
    expect(body).toMatchObject({ status: 404, problems: [] });
    await stop();
  });

  test('where it is not built yet, the page says what to do, and the API answers', async () => {
    const { api, stop, folder } = await served(false);
    expect((await api().get('/map').expect(503)).text).toContain('npm run build');
    await api().get('/api/health').expect(200);
    writeFileSync(join(folder, 'index.html'), '<b>built meanwhile</b>');
    expect((await api().get('/map').expect(200)).text).toContain('built meanwhile');
    await stop();
  });

  test('strict headers go with the application, and only the description of the API writes its own scripts', async () => {
    const { api, stop } = await served(true);
    const { headers } = await api().get('/');
    expect(headers).toMatchObject({ 'x-content-type-options': 'nosniff' });
    expect(headers['x-powered-by']).toBeUndefined();
    const rest = ["object-src 'none'", "base-uri 'none'", "form-action 'none'", "frame-ancestors 'none'"];
    const policy = (value: string) =>
      value
        .replace(/'nonce-[^']+'/, "'nonce'")
        .split(';')
        .sort();
    expect(policy(headers['content-security-policy']!)).toEqual(
      [
        "default-src 'self'",
        "script-src 'self'",
        "style-src 'self' 'nonce'",
        "worker-src 'self' blob:",
        "img-src 'self' data: blob:",
        ...rest,
      ].sort(),
    );
    const described = (await api().get('/api/docs')).headers['content-security-policy'] as string;
    expect(policy(described)).toEqual(
      [
        "default-src 'self'",
        "script-src 'self' 'unsafe-inline'",
        "style-src 'self' 'unsafe-inline'",
        "img-src 'self' data:",
        ...rest,
      ].sort(),
    );
    await stop();
  });
});
