export const WORDS = {
  newer: 'Newer state of it',
  stays:
    'Every decision stays: crop, size, paper, compensation, settings. Undo brings the older file back; what was printed from it stays in the log.',
  cant: 'What can’t stay as it is',
  differs: 'What differs',
  own: 'A docket of its own',
  like: 'Another docket, printed like this one',
  beside: 'Beside what lies on this sheet',
  leave: 'Leave it',
  divided: 'divided',
  map: 'where it differs',
  legend: 'light: nothing · middle gray: ΔE00 3 · black: 12 and more · striped: only the newer file shows it',
  asks: 'Newer file of a picture?',
  see: 'See what differs',
}

const pictures = (count: number) => (count === 1 ? 'One picture' : `${count} pictures`)

/** Of files that the watched folder dealt with by itself. */
export const cameWords = (opened: number, newer: number) =>
  [
    opened > 0 && `${pictures(opened)} came from the watched folder`,
    newer > 0 && `${newer === 1 ? 'one is' : `${newer} are`} the newer state of a picture that was here`,
  ]
    .filter(Boolean)
    .join('; ')
