export const WORDS = {
  noPairing: 'Choose a paper first: it brings its printer and the settings that its profile was made with.',
  byWistel: "Through the pairing's profile; the driver is told to do nothing. This is what the proof shows.",
  byDriver:
    "The picture goes out as sRGB and the driver makes of it what it will. The pairing's profile and the proof don't apply.",
  pathFoot: 'The colour is converted in exactly one place.',
}
