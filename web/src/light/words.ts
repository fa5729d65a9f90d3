export const LIGHT = {
  head: 'Light',
  which: 'Which light',
  lux: 'Lux',
  lx: 'lx',
  k: 'K',
  kelvin: 'Colour temperature, K',
  hangsHere: 'this docket’s print will hang there',
  match:
    'No meter? Lay this paper where the print will hang, look past it at the screen, and drag until both are as bright; sideways for colour.',
  field: 'Brightness and colour of white paper in this light',
  ofScreen: (ratio: number) => `${ratio >= 0.995 ? ratio.toFixed(1) : ratio.toFixed(2)} of the screen`,
  screenSupposed: (white: number) => `This screen’s white is taken for ${white} cd/m²`,
  sees: 'What the eye will make of it',
  white: 'white',
  whiteWords: (here: number, judging: number, screen: number) =>
    `${Math.round(here)} cd/m²; judging light ${Math.round(judging)}, screen ${Math.round(screen)}`,
  shadows: 'shadows that stay apart',
  shadowWords: (apart: number, judging: number) => `${apart} of 10 (judging light ${judging})`,
  colour: 'colour',
  colourWords: (kept: number) => (kept > 0.995 ? 'nothing lost' : `down by ${Math.round(100 * (1 - kept))} %`),
  tint: 'paper, once settled',
  tintWords: (a: number, b: number) =>
    Math.hypot(a, b) < 1.5
      ? 'looks neutral'
      : `looks ${b > Math.abs(a) ? 'yellowish' : b < -Math.abs(a) ? 'bluish' : a > 0 ? 'reddish' : 'greenish'}, C* ${Math.hypot(a, b).toFixed(1)}`,
  make: 'Print for this light',
  share: 'How far',
  halfway: 'half-way',
  allTheWay: 'all the way',
  suggest: 'Suggest for this light',
  kept: (name: string, words: string) => `Kept as its own compensation, “${name}”: ${words}. It will look too light elsewhere.`,
  called: (light: string) => `for ${light}`,
  judging: 'under the light for judging: 2000 lx, 5000 K',
  hangs: (name: string, lux: number, kelvin: number, beside: boolean) =>
    `${name}, ${lux} lx, ${kelvin} K, ${beside ? 'seen beside this screen' : 'once the eye has settled'}`,
  beside: 'beside this screen',
  settled: 'once the eye has settled',
  seen: 'How it is looked at',
  plot: 'Noticeable differences below each tone of the master, in the judging light and here',
  plotY: 'differences that the eye can tell',
  plotX: 'L* of the master',
  plotJudging: 'judging light',
  foreseen: 'From level, white and adaptation; how single inks answer to this lamp isn’t foreseen.',
}

export const LIGHTS = {
  head: 'Lights that prints hang in',
  help: 'The proof shows a print as it will look there, and suggests what to move for it. Prints are judged under 2000 lx and 5000 K.',
  name: 'name',
  add: 'Another light',
  fresh: 'a hall',
  forget: 'Let it go',
  none: 'No light is named yet: name one in Settings.',
  screen: 'this screen’s white, cd/m² (140 until you say)',
  screenUnknown: '140',
}
