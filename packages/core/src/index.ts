/** What every subject is built on: answers and their problems, schemas, words. */

export { isId } from './isId.ts';
export { asRecord, expectOk, fail, isRecord, ok, type Problem, type Result, shown, under } from './result.ts';
export { found } from './search.ts';
export { seededRandom, type SeededRandom } from './seededRandom.ts';
export { counted, withArticle } from './words.ts';
export { asError, byKey, keysOf } from './objects.ts';
