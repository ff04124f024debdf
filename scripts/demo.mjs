import { serve } from './serve.mjs';

await serve('the demo data, from data/demo.sqlite', { SAME_SONG_DEMO: '1' });
