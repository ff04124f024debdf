import { hear } from '@same-song/core';
import { ratio } from './measure.mjs';
