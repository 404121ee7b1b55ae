/** The payload descriptor of VP8 (RFC 7741 §4.2), as far as it is rewritten. */
interface Descriptor {
  /** Bytes before the image’s own. */
  length: number;
  /** Where the picture’s number stands, and in how many bits; null: it has none. */
  pictureId: { at: number; bits: 7 | 15; value: number } | null;
  /** Where the number of base layer pictures stands; null: it has none. */
  tl0PicIdx: { at: number; value: number } | null;
  beginsPicture: boolean;
}

/** null: no descriptor of VP8. */
function readDescriptor(payload: Uint8Array): Descriptor | null {
  const first = payload[0];
  if (first === undefined) return null;
  let at = 1;
  let pictureId: Descriptor['pictureId'] = null;
  let tl0PicIdx: Descriptor['tl0PicIdx'] = null;
  if (first & 0x80) {
    const present = payload[at++] ?? 0;
    if (present & 0x80) {
      const high = payload[at] ?? 0;
      const isLong = (high & 0x80) !== 0;
      const value = isLong ? ((high & 0x7f) << 8) | (payload[at + 1] ?? 0) : high;
      pictureId = { at, bits: isLong ? 15 : 7, value };
      at += isLong ? 2 : 1;
    }
    if (present & 0x40) {
      tl0PicIdx = { at, value: payload[at] ?? 0 };
      at += 1;
    }
    if (present & 0x30) at += 1;
  }
  if (payload.length <= at) return null;
  // Start of partition 0.
  return { length: at, pictureId, tl0PicIdx, beginsPicture: (first & 0x10) !== 0 && (first & 0x07) === 0 };
}

/** Whether with this packet a picture begins that needs no other one (RFC 6386 §9.1: the inverse of its first bit). */
export function beginsKeyPicture(payload: Uint8Array): boolean {
  const descriptor = readDescriptor(payload);
  return descriptor !== null && descriptor.beginsPicture && ((payload[descriptor.length] ?? 1) & 1) === 0;
}

/** The numbers within VP8’s payload, which go on where a stream’s source becomes another. */
export class ContinuedVp8 {
  private source: string | null = null;
  private offsets = { pictureId: 0, tl0PicIdx: 0 };
  private last: { pictureId: number; tl0PicIdx: number } | null = null;

  /** The payload of that source as it goes in this stream: the same bytes where nothing has to change, else a copy. */
  next(source: string, payload: Uint8Array): Uint8Array {
    const descriptor = readDescriptor(payload);
    if (!descriptor?.pictureId) return payload;
    const { pictureId, tl0PicIdx } = descriptor;
    if (this.source !== source) {
      this.offsets = {
        pictureId: this.last === null ? 0 : this.last.pictureId + 1 - pictureId.value,
        tl0PicIdx: this.last === null ? 0 : this.last.tl0PicIdx + 1 - (tl0PicIdx?.value ?? 0),
      };
      this.source = source;
    }
    const next = {
      pictureId: (pictureId.value + this.offsets.pictureId) & (pictureId.bits === 15 ? 0x7fff : 0x7f),
      tl0PicIdx: ((tl0PicIdx?.value ?? 0) + this.offsets.tl0PicIdx) & 0xff,
    };
    if (this.last === null || isAfter(next.pictureId, this.last.pictureId)) this.last = next;
    if (this.offsets.pictureId === 0 && this.offsets.tl0PicIdx === 0) return payload;
    const copy = payload.slice();
    if (pictureId.bits === 15) {
      copy[pictureId.at] = 0x80 | (next.pictureId >> 8);
      copy[pictureId.at + 1] = next.pictureId & 0xff;
    } else copy[pictureId.at] = next.pictureId;
    if (tl0PicIdx) copy[tl0PicIdx.at] = next.tl0PicIdx;
    return copy;
  }
}

/** Whether one number of 15 bits comes after another, by the shorter way around. */
const isAfter = (one: number, other: number): boolean => ((one - other) & 0x7fff) < 0x4000 && one !== other;
