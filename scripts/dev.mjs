import { needBuild, needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';
import { run, runTool } from './lib/run.mjs';

needNode();
await needPackages();
await needBuild();
say(
  'The server runs as built, on the demo data; the web application follows your changes. Stop with Ctrl C.',
);
const env = { ...process.env, SAME_SONG_DEMO: '1', PORT: '4870' };
await Promise.all([
  run(process.execPath, ['--watch-path=apps/server/dist', 'apps/server/dist/main.js'], { env }),
  runTool('tsc', ['-p', 'apps/server/tsconfig.build.json', '--watch', '--preserveWatchOutput']),
  runTool('vite', ['apps/web']),
]);
