const stretch = 0x8000;

/** Bytes as base64, a stretch at a time, since a call takes only so many arguments. */
export function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += stretch)
    text += String.fromCharCode(...bytes.subarray(at, at + stretch));
  return btoa(text);
}

export function fromBase64(text: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));
}
