/** Lets the browser's own voice say something, as the stand-in voice of the mailbox; nothing where it has none. */
export function speak(text: string): void {
  if (typeof speechSynthesis === 'undefined') return;
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = 'en-GB';
  speechSynthesis.speak(words);
}
