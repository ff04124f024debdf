/** What a score is made of; each can be made louder or silent by itself. */
export type ScoreKind =
  | 'melody'
  | 'grace'
  | 'voice'
  | 'chord'
  | 'drone'
  | 'click'
  | 'bass'
  | 'kick'
  | 'snare'
  | 'hat';
