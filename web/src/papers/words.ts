export const QUALITY: Record<number, string> = { 3: 'quick', 4: 'standard', 5: 'fine' }

export const FEED_WORDS: Record<string, string> = {
  rear: 'rear feed',
  manual: 'front path',
  'by-pass-tray': 'front path',
  'main-roll': 'roll',
}

export const PROFILE = {
  bring: 'Bring a paper’s profile',
  head: 'A paper’s profile',
  several: 'Which of them',
  sweep: 'Grays and hues as this paper gives them',
  fine: 'Nothing in it needs a second look.',
  pair: 'What it belongs to',
  pairHelp:
    'Proposed from what the profile says of itself. The media type is part of it: set another one on the printer, and the profile is void.',
  name: 'Give the paper a name.',
  surface: 'Say how it looks: gloss, lustre, matte …',
  done: 'Pair them',
}
