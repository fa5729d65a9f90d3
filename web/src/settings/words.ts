import { megabytes } from '../parts/numbers'

export const matchingWords = (bytes: number) => `they take ${megabytes(bytes)} now`

export const WORDS = {
  head: 'Settings',
  kept: 'How long print files and scans are kept',
  help: 'Masters, dockets and the print log are kept for ever. A print file that was let go is made again from its order when it is needed, and you are told if a newer version makes it differently; a scan is not.',
  matching: 'Keep the print files of prints judged “matches” for ever, beside that bound',
  files: 'print files, days',
  scans: 'scans, days',
  room: 'both together, GB',
  forEver: '0 is for ever, or without a bound.',
  save: 'Keep it so',
  watched: 'Watched folder',
  watchedHelp:
    'What your editor exports there comes in by itself, once a file has stopped growing: as a docket, or as the newer state of a picture that is on the bench. Each file is taken once; links and hidden files are left alone.',
  watchedPath: 'folder, its whole path',
  watchOn: 'watch it',
  keepFolder: 'Keep the folder so',
  newerTaken: 'becomes its newer state, where every decision can follow; else it asks on the bench',
  newerAsked: 'asks on the bench',
  doneLeft: 'stay where they are',
  doneMoved: 'are moved to a folder beside it',
  marks: 'Marks of your own',
  marksHelp:
    'A signature, a stamp, a logo: PNG with transparency or SVG, or a line of text. At the size station each can be laid in the border or over a corner of the picture. A docket keeps the mark as it was when it was laid.',
  forgetMark: 'Take this mark off the list? Dockets that have it keep it.',
  colour: "This screen's colour",
  colourHelp:
    'Proofs are made for the colours that this screen shows, and say what it can’t show. With a profile that was measured on it, they are right for this very screen.',
  bring: 'Bring the profile of this screen',
  ready: 'This browser converts no colours by itself: send pictures ready for this screen, without their profile',
  screen: 'This screen, measured',
  screenHelp:
    'Hold a bank card against the screen and draw the outline to its size. Then “life size” on the size station is just that.',
  screenSlider: 'Size of the card on this screen',
}

export const CHECKED = {
  head: 'Papers kept true',
  help: 'Inks, heads and batches of paper change. A strip that is printed and read now and then tells before a print does.',
  every: 'the bench reminds after so many days; 0 is never',
  save: 'Remind me so',
}
