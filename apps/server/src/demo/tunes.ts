/**
 * Tunes and licks of the evening music room at Tern Haven, made for it and for nothing else, in ABC: one a text. All
 * names are made up.
 */
export const TUNES: readonly string[] = [
  `X:1
T:Lanterns Down the Slip
C:Mara Quill
R:jig
M:6/8
L:1/8
Q:3/8=104
K:G
D|"G"GBd gdB|"C"ceg "G"d2B|"Am"cAc "D"BGA|"G"G3 "D"A2D|
"G"GBd gdB|"C"ceg "G"d2g|"D"fdf "D7"aga|"G"g3-g2:|
|:a|"Em"bgb "Bm"f2a|"C"gec "G"Bcd|"Em"egb "A7"a2^c'|"D"d'af "D7"d2a|
"Em"bgb "Bm"f2a|"C"gec "G"B2d|"Am"cea "D7"fdf|"G"g3-g2:|
`,
  `X:2
T:Harbour Steps
C:Ossian Pell
R:reel
M:4/4
L:1/8
Q:1/2=90
K:D
A2|:"D"d2fd Adfd|"G"g2bg "D"f2af|"Em"e2ge "A"c2ec|"D"dfaf "A"edcA|
"D"d2fd Adfd|"G"gabg "D"f2af|"A"eaga "A7"fgec|1"D"d2f2 d2A2:|2"D"d2f2 d4||
|:"Bm"b2fb "A"a2ea|"G"g2dg "D"f2d2|"Em"efga "F#m"b2a2|"G"gfed "A"c2A2|
"Bm"bfdf "A"aece|"G"gdBd "D"fdAd|"Em"egfe "A7"dcBc|"D"d6 z2:|
`,
  `X:3
T:The Net Menders
C:Ilse Tarn
R:waltz
M:3/4
L:1/4
Q:1/4=126
K:F
"F"C2F|"F"A>GA|"Bb"d2B|"F"A3|"Gm"G2A|"C7"BAG|"F"A3|"C"G3|
w:Come out with the twine and the knife and the light, come in by the door,
w:The old boat is dry and the new boat is wet, and neither will go
"F"C2F|"F"A>GA|"Bb"dcB|"F"c3|"Gm"d>cB|"C7"A2G|"F"F3-|"F"F3|]
w:for there's a hole in the net of the night, and we'll mend it once more._
w:till ev-'ry mesh in the sea is a knot, and ev-'ry knot slow._
`,
  `X:4
T:Slack Water
C:Mara Quill
R:slow air
M:4/4
L:1/4
Q:1/4=66
K:Ador
A,|"Am"E2 D C|"G"B,2 G,2|"Am"A,B,CE|"D"^F3 E|
"G"G2 FE|"D"D2 EF|"Am"E3 A,|"G"B,4|
"Am"A2 GE|"G"D2 B,2|"Am"C>D ED|"Em"B,3 G,|
"Am"A,CEA|"G"G2 D2|"Em"E>D B,G,|"Am"A,3|]
`,
  `X:5
T:Four Bells
C:Ossian Pell
R:march
M:2/4
L:1/8
Q:1/4=112
K:Bb
F|:"Bb"B>B Bc|"Bb"d2 Bd|"Eb"e>d cB|"F"c2 F2|
"Bb"B>B Bc|"Gm"d2 gf|"Cm"ed "F7"cA|"Bb"B2 z2:|
|:"Gm"g>f gd|"Dm"f2 d2|"Eb"ed cB|"F"c4|
"Bb"d>c BF|"Eb"G2 ec|"F7"BA GA|"Bb"B4:|
`,
  `X:6
T:Fog on the Mole
C:Ilse Tarn
R:slip jig
M:9/8
L:1/8
Q:3/8=96
K:Em
"Em"E2G B2e B2G|"D"F2A d2A F2D|"Em"E2G Bcd e2f|"G"g2d B2G "D"A3|
"Em"E2G B2e B2G|"D"FED A2d f2a|"G"gfe "D"dcB "A"ABc|"Em"B3 E3 E3:|
|:"Em"e2g b2g e2B|"C"c2e g2e c2G|"D"d2f a2f d2A|"Bm"B2d f2d B3|
"Em"e2g bag fed|"C"cde g2e c2e|"D"dAF DFA "B7"^dBF|"Em"E3 G2F E3:|
`,
  `X:7
T:Last Ferry Blues
C:Ossian Pell
R:blues
M:4/4
L:1/8
Q:1/4=88
K:G
"G7"D2 (3GAB _B2 G2|"C7"_B2 G_E C2 z2|"G7"D2 G_B BG D2|"G7"F4 D2 z2|
"C7"G2 _BG c2 _BG|"C7"_EGc2 _B2 z2|"G7"D2 G_B dB G2|"G7"F2 D2 G,2 z2|
"D7"d2 cA ^F2 A2|"C7"c2 _BG _E2 G2|"G7"D2 (3GAB d2 _BG|"D7"A2 ^F2 D4|]
`,
  `X:8
T:From the Keel to the Masthead
C:Mara Quill
R:air
M:3/4
L:1/8
Q:1/4=92
K:C
"C"C,2 E,2 G,2|"F"A,4 C2|"C"E2 G2 c2|"G"B4 G2|
"Am"c2 e2 a2|"F"f4 c'2|"G"d'2 b2 g2|"C"e'6|
"F"c'2 a2 f2|"C"e4 c2|"G"d2 B2 G2|"Am"E4 C2|
"F"A,2 C2 F2|"G"D2 B,2 G,2|"C"E,2 G,2 C2|"C"C,6|]
`,
  `X:9
T:Lever Street
C:Ilse Tarn
R:polka
M:2/4
L:1/8
Q:1/4=108
K:C
"C"EG ce|"G"d2 BG|"F"Ac fa|"E7"^g2 e2|
"Am"a>e cA|"D7"d^f a2|"G"g^f gb|"G7"g2 =f2|
"C"eg c'g|"A7"e^c ea|"Dm"f2 d2|"Fm"_a2 f2|
"C"ge cG|"G7"Bd fd|"C"c2 e2|"C"c4|]
`,
  `X:10
T:Two for the Oar
C:Bram Odell
R:jig
M:6/8
L:1/8
Q:3/8=100
K:Amix
"A"e2c ABc|"G"d2B G2B|"A"A2c e2a|"G"g2e d2B|
"A"cde "G"dBG|"D"FAd f2e|"G"d2B "E"G2B|"A"A3-A3:|
|:"A"a2e c2e|"G"g2d B2d|"D"f2d A2d|"A"e3 c2A|
"A"a2e cea|"G"gfg d2B|"D"AFA "G"BGB|"A"A3-A3:|
`,
  `X:11
T:Candle in the Crow's Nest
C:Ilse Tarn
R:waltz
M:3/4
L:1/8
Q:1/4=108
K:Dm
A,2|"Dm"D4 F2|"C"E4 C2|"Dm"D2 F2 A2|"Gm"G4 B2|
w:A can-dle a-loft in the crow's nest at
"Dm"A4 F2|"Gm"G2 F2 D2|"A7"E2 ^C2 A,2|"Dm"D4:|
w:night, to show the late boat where to lie
|:A2|"F"c4 A2|"C"G4 E2|"Bb"F2 D2 B,2|"A"^C4 A,2|
"Dm"D2 E2 F2|"Gm"G2 A2 B2|"A7"A2 E2 ^C2|"Dm"D4:|
`,
  `X:12
T:Small Hours at the Weighbridge
C:Bram Odell
R:hornpipe
M:4/4
L:1/8
Q:1/2=72
K:Eb
B,>C|"Eb"E>G B>G E>G B>e|"Ab"c>e a>e "Eb"B>G E2|"Bb7"F>A d>B F>D B,>D|"Eb"E>F G>A "Bb7"B>A G>F|
"Eb"E>G B>G e>B G>E|"Ab"C>E A>c e>c A>E|"Bb7"D>F B>d f>d B>A|"Eb"G2 E2 E2:|
`,
  `X:13
T:Mending the Gate
C:Mara Quill
R:polka
M:2/4
L:1/8
Q:1/4=116
K:D
|:"D"fd Ad|"G"gB dB|"A"ce ag|"D"f2 ed|
"D"fd Ad|"G"ge Bd|"A7"ce ge|"D"d4:|
|:"Bm"d2 fb|"F#m"a2 fc|"G"Bd gd|"A"e2 cA|
"Bm"d2 fb|"G"gf ed|"A7"ce gc|"D"d4:|
`,
  `X:14
T:Rain on Both Decks
C:Bram Odell
R:slow air
M:6/8
L:1/8
Q:3/8=44
K:Bm
F|"Bm"B2c d2f|"A"e2c A2c|"G"B2d g2f|"F#m"f3-f2e|
"G"d2B G2B|"D"A2F D2F|"Em"E2G "F#"F2^A|"Bm"B3-B2|]
`,
  `X:15
T:Ossian's Turn at the Wheel
C:Ossian Pell
R:reel
M:4/4
L:1/8
Q:1/2=84
K:Gmix
|:"G"G2BG dGBd|"F"cAFA c2dc|"G"BGBd gdBG|"F"AcBA "C"GEDE|
"G"G2BG dGBd|"F"cAFA cdec|"G"dgfd "F"cAFA|"G"G2B2 G4:|
|:"G"g2bg d2gd|"F"f2af c2fc|"G"gfgd BdGB|"F"AcBA "C"G2D2|
"G"g2bg dgbg|"F"fafc AcFA|"G"Bdgd "F"cAFA|"G"G2B2 G4:|
`,
];

/** Short phrases, each a song with the tag lick. */
export const LICKS: readonly string[] = [
  'X:1\nT:Lick: down the steps\nR:lick\nM:4/4\nL:1/8\nK:G\n"G7"d2 _Bd c_B G2|F2 DF G4|]\n',
  'X:2\nT:Lick: two bells\nR:lick\nM:4/4\nL:1/8\nK:G\n"G7"G_B (3cdc _BG F2|"C7"G_B c2 G4|]\n',
  'X:3\nT:Lick: turn at the quay\nR:lick\nM:4/4\nL:1/8\nK:C\n"C"eg (3aga ge d2|"G7"cA GE "C"C4|]\n',
  'X:4\nT:Lick: jig pick-up\nR:lick\nM:6/8\nL:1/8\nK:D\n"D"ABc d2f|"A"ede "D"d3|]\n',
  'X:5\nT:Lick: minor tide\nR:lick\nM:4/4\nL:1/8\nK:Am\n"Am"A2 c2 e2 dc|"E7"B^G E2 "Am"A4|]\n',
  'X:6\nT:Lick: slow ending\nR:lick\nM:3/4\nL:1/4\nK:F\n"Bb"d c B|"C7"A G E|"F"F3|]\n',
  'X:7\nT:Lick: round the buoy\nR:lick\nM:4/4\nL:1/8\nK:D\n"D"fdAd "G"BdGB|"A"Ace2 "D"d4|]\n',
  'X:8\nT:Lick: call and answer\nR:lick\nM:4/4\nL:1/8\nK:Bb\n"Bb7"B2 _df "Eb7"_d2 B2|"Bb7"_AF _AB B4|]\n',
];

/** A dance that goes on for two hundred bars: a ground of eight bars in steps that change from round to round. */
export function longDance(): string {
  const ground = ['A', 'E', 'F', 'C', 'D', 'A,', 'D', 'E'];
  const chords = ['Am', 'Em', 'F', 'C', 'Dm', 'Am', 'Dm', 'E'];
  const ladder = ['A,', 'B,', 'C', 'D', 'E', 'F', 'G', 'A', 'B', 'c', 'd', 'e', 'f', 'g', 'a'];
  const figures = [
    [0, 2, 4, 2],
    [0, 1, 2, 4],
    [4, 2, 1, 0],
    [0, 4, 2, 4],
    [2, 1, 0, 2],
  ];
  const bars = Array.from({ length: 200 }, (_, i) => {
    const root = ladder.indexOf(ground[i % 8]!);
    const figure = figures[Math.floor(i / 8) % figures.length]!;
    const notes = [...figure, ...[...figure].reverse()].map(
      (step) => ladder[Math.min(ladder.length - 1, root + step)]!,
    );
    return `"${chords[i % 8]!}"${notes.slice(0, 4).join('')} ${notes.slice(4).join('')}`;
  });
  const lines = Array.from({ length: 50 }, (_, i) => bars.slice(4 * i, 4 * i + 4).join('|'));
  return `X:1\nT:The Rope Walk\nC:Bram Odell\nR:reel\nM:4/4\nL:1/8\nQ:1/2=88\nK:Am\n${lines.join('|\n')}|]\n`;
}
