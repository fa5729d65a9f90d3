export const WORDS = {
  head: 'Settings',
  kept: 'How long print files and scans are kept',
  help: 'Masters, dockets and the print log are kept for ever. A print file that was let go is made again from its order when it is needed; a scan is not.',
  files: 'print files, days',
  scans: 'scans, days',
  room: 'both together, GB',
  forEver: '0 is for ever, or without a bound.',
  save: 'Keep it so',
  screen: 'This screen, measured',
  screenHelp:
    'Hold a bank card against the screen and draw the outline to its size. Then “life size” on the size station is just that.',
  screenSlider: 'Size of the card on this screen',
}
