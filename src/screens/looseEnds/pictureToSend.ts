import type { Message } from '@/core/inbox/messages';

import { dataUrl, shrinkPicture } from './shrinkPicture';

type Picture = NonNullable<Message['picture']>;
type Made = { ok: true; picture: Picture } | { ok: false; sentence: string };

/** A picture as it goes out with a text: as small as carriers take it. */
export async function pictureOf(file: File): Promise<Made> {
  const shrunk = await shrinkPicture(file);
  if (!shrunk.ok) return shrunk;
  const { file: made, width, height } = shrunk;
  const url = await dataUrl(made);
  return {
    ok: true,
    picture: { id: `picture-${file.name}`, url, width, height, bytes: made.size, alt: file.name },
  };
}

let left: { key: string; picture: Picture } | null = null;

/** Lays a picture where it is found when somebody, by their key, is written to next. */
export function leavePicture(key: string, picture: Picture): void {
  left = { key, picture };
}

/** What was laid there for them. */
export const laidPicture = (key: string): Picture | null => (left?.key === key ? left.picture : null);

/** Whoever it is for has it before them. */
export function forgetPicture(key: string): void {
  if (left?.key === key) left = null;
}
