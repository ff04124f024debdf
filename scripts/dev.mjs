import { needBuild, needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';
import { run, runTool } from './lib/run.mjs';

needNode();
await needPackages();
await needBuild();
say(
  'The server runs as built, on demo data of its own (data/dev.sqlite); the web application follows your changes. Stop with Ctrl C.',
);
// The file is named here, so that a SAME_SONG_DB of the shell cannot put half-built code onto your own data.
const env = { ...process.env, SAME_SONG_DEMO: '1', SAME_SONG_DB: 'data/dev.sqlite', PORT: '4870' };
await Promise.all([
  run(process.execPath, ['--watch-path=apps/server/dist', 'apps/server/dist/main.js'], { env }),
  runTool('tsc', ['-p', 'apps/server/tsconfig.build.json', '--watch', '--preserveWatchOutput']),
  runTool('vite', ['apps/web']),
]);
