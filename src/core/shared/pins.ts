/** Why a PIN is too easily guessed; null where it is not. */
export function weaknessOf(pin: string, numbers: readonly string[] = []): string | null {
  if (!/^\d{4,8}$/.test(pin)) return 'A PIN is 4 to 8 figures.';
  if (/^(\d)\1+$/.test(pin)) return 'One figure again and again is guessed first.';
  if (isRun(pin, 1) || isRun(pin, -1)) return 'Figures in a row are guessed first.';
  if (/^(\d+)\1+$/.test(pin)) return 'The same again and again is guessed soon.';
  const own = numbers.find((number) => number.replace(/\D/g, '').endsWith(pin));
  return own === undefined ? null : `It is the end of ${own}, which everybody knows.`;
}

const isRun = (pin: string, step: 1 | -1) =>
  [...pin].every((digit, at) => at === 0 || Number(digit) === (Number(pin[at - 1]) + step + 10) % 10);
