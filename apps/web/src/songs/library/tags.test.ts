import { readTags, renamed, tagsInUse } from './tags.ts';

test('tags in use and tags that are only kept are listed once each, with their songs counted', () => {
  const songs = [{ tags: ['reel', 'quay'] }, { tags: ['reel', 'reel'] }, {}];
  const kept = [{ title: 'reel', about: 'in two' }, { title: 'autumn' }];
  expect(tagsInUse(songs, kept)).toEqual([
    { name: 'autumn', about: '', songs: 0 },
    { name: 'quay', about: '', songs: 1 },
    { name: 'reel', about: 'in two', songs: 2 },
  ]);
});

test('what is typed is parted by commas, each tag once, without empty ones', () => {
  expect(readTags(' slow  air, reel,,reel , ')).toEqual(['slow air', 'reel']);
  expect(readTags(' ,')).toEqual([]);
});

test('a tag that is called like another becomes one with it; taken off it is gone', () => {
  expect(renamed(['air', 'slow', 'lick'], 'air', 'slow')).toEqual(['slow', 'lick']);
  expect(renamed(['air', 'lick'], 'air', undefined)).toEqual(['lick']);
});
