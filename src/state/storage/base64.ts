const stretch = 0x8000;

/** Bytes as base64, a stretch at a time, since a call takes only so many arguments. */
export function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += stretch)
    text += String.fromCharCode(...bytes.subarray(at, at + stretch));
  return btoa(text);
}

export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  const letters = atob(text);
  const bytes = new Uint8Array(letters.length);
  for (let at = 0; at < letters.length; at++) bytes[at] = letters.charCodeAt(at);
  return bytes;
}
