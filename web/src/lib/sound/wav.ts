/** A WAV file (RIFF, PCM of 16 bits, two channels) of sound from −1 to 1. Layout after Microsoft and IBM 1991, from memory. */
export const wavFile = (left: Float32Array, right: Float32Array, rate: number): Uint8Array<ArrayBuffer> => {
  const bytes = new Uint8Array(44 + left.length * 4);
  const view = new DataView(bytes.buffer);
  const text = (at: number, word: string): void =>
    [...word].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, bytes.length - 8, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 2, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 4, true);
  view.setUint16(32, 4, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, left.length * 4, true);
  const sample = (x: number): number => Math.round(Math.max(-1, Math.min(1, x)) * 32767);
  for (let index = 0; index < left.length; index += 1) {
    view.setInt16(44 + index * 4, sample(left[index]!), true);
    view.setInt16(46 + index * 4, sample(right[index]!), true);
  }
  return bytes;
};
