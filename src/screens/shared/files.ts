/** Lets the worker choose a file of theirs; null where they chose none. */
export function pickFile(accept: string): Promise<{ name: string; text: string } | null> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const file = input.files?.[0];
      if (file) void file.text().then((text) => resolve({ name: file.name.toLowerCase(), text }));
      else resolve(null);
    };
    input.oncancel = () => resolve(null);
    input.click();
  });
}

/** Hands the worker a file to keep. */
export function saveFile(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The browser has taken what it needs by the next turn.
  setTimeout(() => URL.revokeObjectURL(url));
}
