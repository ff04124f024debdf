import { fileName } from './files.ts';

test.each([
  ['Play major in E♭ on Mara’s harmonica', 'txt', 'Play-major-in-E-flat-on-Mara-s-harmonica.txt'],
  ['F♯ / B♭: “quoted” <odd>', 'svg', 'F-sharp-B-flat-quoted-odd.svg'],
  ['../../etc/passwd', 'json', 'etc-passwd.json'],
  ['🎶🎶', 'txt', 'same-song.txt'],
  ['', 'txt', 'same-song.txt'],
  ['מפוחית', 'txt', 'מפוחית.txt'],
])('%j becomes a name that every system takes', (text, ending, name) => {
  expect(fileName(text, ending)).toBe(name);
});

test('a very long title is cut', () => {
  expect(fileName('x'.repeat(500), 'txt').length).toBeLessThan(100);
});
