/** What the fields of a ready reply stand for. */
export interface ReplyFields {
  /** Of whom it is written to; empty for a firm or a bare number. */
  firstName: string;
  /** "13:00": when the worker is free again. */
  nextFree: string;
  myName: string;
}

export const fieldNames = [
  'firstName',
  'nextFree',
  'myName',
] as const satisfies readonly (keyof ReplyFields)[];

const pattern = /\{(\w+)\}/g;

/** A ready reply with its fields filled; a greeting whose name is not known loses the name, not the greeting. */
export function fillFields(reply: string, fields: ReplyFields): string {
  const filled = reply.replace(pattern, (whole, name: string) =>
    (fieldNames as readonly string[]).includes(name) ? fields[name as keyof ReplyFields] : whole,
  );
  return filled
    .replace(/[ \t]+([,.!?:])/g, '$1')
    .replace(/[ \t]{2,}/g, ' ')
    .trim();
}

/** Fields that stand in a reply and mean nothing here. */
export const unknownFields = (reply: string): string[] =>
  [...reply.matchAll(pattern)]
    .map(([, name]) => name ?? '')
    .filter((name) => !(fieldNames as readonly string[]).includes(name));
