/** Why the browser gave no microphone, and what can be done about it. */
export function explainMicrophone(error: unknown): string {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The microphone was refused. You hear the others, but they don’t hear you: allow it in the browser’s settings for this page, then try again.';
  if (name === 'NotFoundError') return 'No microphone is plugged in.';
  return 'The microphone could not be opened. Another program may be using it.';
}
