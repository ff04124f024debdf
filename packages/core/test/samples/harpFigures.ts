import { signs, type Figure } from '../instruments.ts';

/** Terms of a harp in C from C2, all levers down: string 22 is C5, 18 F4. */
export const HARP_FIGURES: readonly Figure[] = [
  ['flips', ['18up/R1'], 1, { from: ['17down/R2'], carried: signs({ 17: '-' }) }],
  ['flips', ['18up/R1'], 0, { from: ['17down/R2'], carried: signs({ 17: '+' }) }],
  ['flips', ['18down/R1'], 1, { from: ['17down/R2'], carried: signs({ 17: '+' }) }],
  ['flips', ['18down/R1'], 0, { from: ['17down/R2'], carried: signs({ 17: '-' }) }],
  // A string that has not sounded is set before the line begins.
  ['flips', ['18up/R1'], 0, { from: ['17down/R2'], carried: signs({ 16: '-' }) }],
  ['before', ['18up/R1'], 1, { from: ['17down/R2'], carried: signs({ 16: '-' }) }],
  ['before', ['18up/R1'], 0, { from: ['17down/R2'], carried: signs({ 17: '-' }) }],
  ['before', ['18down/R1'], 0, { from: ['17down/R2'], carried: signs({ 16: '-' }) }],
  ['hurry', ['18up/R1'], 0.75, { from: ['17down/R2'], carried: signs({ 17: '-' }), timing: { since: 0.15 } }],
  ['hurry', ['18up/R1'], 0, { from: ['17down/R2'], carried: signs({ 17: '-' }), timing: { since: 0.6 } }],
  // Ring to thumb lies over three strings to seven: two thirds and a fourth; over nine it is a stretch, over ten a new place.
  // What is carried: levers, behind a stroke the left hand, and the right one as the strings under thumb to ring finger (A the first, Q the
  // 17th, Z the 26th) with the finger that played last.
  ['moves', ['26down/R1'], 0, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['moves', ['27down/R1'], 1, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['20down/R1'], 0, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['24down/R1'], 0, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['26down/R1'], 2, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['27down/R1'], 0, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['19down/R1'], 1, { from: ['17down/R4'], carried: '/|...Q4' }],
  ['stretch', ['17down/R4'], 2, { from: ['26down/R1'], carried: '/|Z...1' }],
  // A finger lies on a string between two others only where they leave it room, and above those nearer the ring finger.
  ['moves', ['19down/R2'], 0, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  ['moves', ['21down/R2'], 1, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  ['moves', ['16down/R2'], 1, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  // Back to a string of the same placement; to the string that has just sounded it is the same finger again.
  ['back', ['17down/R3'], 1, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  ['back', ['20down/R1'], 0, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  ['moves', ['17down/R2'], 1, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  // On a string that is struck again at once fingers follow one another.
  ['moves', ['20down/R2'], 0, { from: ['20down/R1'], carried: '/|T.Q.1' }],
  // A hand that rested is placed at leisure.
  ['moves', ['22down/R3'], 0, { from: ['9down/L1'], carried: '/I...1|' }],
  ['ring', ['22down/R4'], 1],
  ['ring', ['22down/R3'], 0],
  ['handed', ['9down/L1'], 1, { from: ['20down/R1'] }],
  ['handed', ['20down/R1'], 0, { from: ['9down/L1', '18down/R2'] }],
  // Within a hand a fourth from thumb to index, a third between others.
  ['stretch', ['15down/R3', '17down/R2', '20down/R1'], 0],
  ['stretch', ['15down/R2', '20down/R1'], 2],
  ['crossed', ['16down/R1'], 1, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['crossed', ['18down/R1'], 0, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['crossed', ['15down/R1'], 1, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['crossed', ['14down/R1'], 0, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['moves', ['14down/R1'], 1, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['moves', ['15down/R1'], 1, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['again', ['18down/R2'], 1, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['again', ['17down/R2'], 0.5, { from: ['17down/R2'], carried: '/|.Q..2' }],
  ['again', ['18down/L2'], 0, { from: ['17down/R2'] }],
  ['sides', ['22down/L2'], 1],
  // Near middle C, the 15th string, less: E4 is five semitones from the left hand’s B3, G3 as many from middle C.
  ['sides', ['17down/L2'], 5 / 7],
  ['sides', ['12down/R2'], 5 / 7],
  ['sides', ['15down/L1'], 1 / 7],
  ['sides', ['22down/R2'], 0],
  ['sides', ['10down/R2'], 1],
  ['sides', ['10down/R2'], 0, { options: { hands: 'right' } }],
  ['cut', ['17down/R1'], 1, { from: ['17down/R2'] }],
  ['cut', ['18down/R1'], 0, { from: ['17down/R2'] }],
];
