export const WORDS = {
  head: 'Bench',
  dropHere: 'Drop pictures here',
  dropHelp: 'JPEG, TIFF or PNG, or a folder of them. Each becomes a docket; the files stay as they are.',
  choose: 'or choose files',
  empty:
    'Nothing lies on the bench yet. Drop a picture anywhere on this page: it becomes a docket, and the docket leads from paper to print.',
  find: 'Find a docket',
  taken: 'on the bench',
}
