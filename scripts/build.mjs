import { needBuild, needNode, needPackages } from './lib/setup.mjs';
import { say } from './lib/say.mjs';

needNode();
await needPackages();
await needBuild();
say('Everything is built.');
