export const readMs = 60_000;

/** Lets the worker choose a file of theirs; null where they chose none. */
export function pickBlob(accept: string): Promise<File | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    const choose = (file: File | null) => {
      input.remove();
      resolve(file);
    };
    input.type = 'file';
    input.accept = accept;
    input.hidden = true;
    input.onchange = () => choose(input.files?.[0] ?? null);
    input.oncancel = () => choose(null);
    // One that stands nowhere may be collected as garbage while the worker still chooses.
    document.body.append(input);
    input.click();
  });
}

/** The same for a file of text. */
export async function pickFile(accept: string): Promise<{ name: string; text: string } | null> {
  const file = await pickBlob(accept);
  return file && { name: file.name.toLowerCase(), text: await file.text() };
}

/** Hands the worker a file to keep. */
export const saveFile = (name: string, type: string, text: string): void =>
  saveBlob(name, new Blob([text], { type }));

export function saveBlob(name: string, file: Blob): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // Some browsers read it only some time after the click.
  setTimeout(() => URL.revokeObjectURL(url), readMs);
}
