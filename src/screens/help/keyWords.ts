/** Keys of a keyboard, with what they do as it is said in the list of them. */
export const shortcuts = [
  { key: '/', word: 'find somebody' },
  { key: 'D', word: 'dial' },
  { key: 'A', word: 'answer, and hold the call you are on' },
  { key: 'R', word: 'refuse' },
  { key: 'Alt+A', word: 'answer, also while you type; Alt+R refuses' },
  { key: 'M', word: 'mute, and unmute' },
  { key: 'H', word: 'hold, and talk again' },
  { key: 'T', word: 'transfer' },
  { key: 'N', word: 'note on the call' },
  { key: 'P', word: 'ring plan' },
  { key: 'S', word: 'where I stand: situation, do not disturb, forward' },
  { key: 'E', word: 'end the call; press it twice' },
  { key: '?', word: 'what this screen is for, and its keys' },
] as const;
