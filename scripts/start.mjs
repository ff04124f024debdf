import { serve } from './serve.mjs';

await serve('your own data, from data/same-song.sqlite');
