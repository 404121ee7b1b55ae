/** One of the voices that ship with the app, as a WAV. Throws where it can't be fetched now. */
export async function fetchClip(id: string): Promise<Uint8Array> {
  const response = await fetch(`/voices/${id}.wav`);
  if (!response.ok) throw new Error(`No clip ${id}`);
  return new Uint8Array(await response.arrayBuffer());
}
