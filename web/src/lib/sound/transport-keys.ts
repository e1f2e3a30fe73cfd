/** Keys of the transport, as they are told to a teacher. */
export const TRANSPORT_KEYS = [
  { keys: 'Space', does: 'play from the caret, stop' },
  { keys: 'L', does: 'loop this bar, or no more' },
  { keys: ',', does: 'slower' },
  { keys: '.', does: 'faster' },
  { keys: 'C', does: 'click: none, with the music, alone' },
  { keys: 'B', does: 'remember the sound, then compare with it' },
] as const;
