let card: File | null = null;

/** Lays a contact card where “Bring people in” finds it. */
export function leaveCard(file: File): void {
  card = file;
}

/** The card that was laid there, once. */
export function takeCard(): File | null {
  const found = card;
  card = null;
  return found;
}
