export const WORDS = {
  head: 'Bench',
  dropHere: 'Drop pictures here',
  dropHelp: 'JPEG, TIFF or PNG, or a folder of them. Each becomes a docket, or all lie on one; the files stay as they are.',
  choose: 'or choose files',
  empty:
    'Nothing lies on the bench yet. Drop a picture anywhere on this page: it becomes a docket, and the docket leads from paper to print.',
  laying:
    'The table is being laid: dockets appear here one after the other, each as soon as it is ready. You need not wait: drop a picture of your own whenever you like.',
  find: 'Find a docket',
  taken: 'on the bench',
}

/** Of a paper whose prints should be checked against its profile. */
export const dueWords = (days: number | null | undefined) => (days == null ? 'never checked' : `not checked for ${days} days`)
