import { Txt } from '@/ui/text';
import { useTheme } from '@/ui/tokens';

import { useLayout } from './useLayout';

/** What a key of the keyboard does, said where it is needed; a phone has none. */
export function KeyHint({ text, onNight = false }: { text: string; onNight?: boolean }) {
  const { colours } = useTheme();
  const { hasKeyboard } = useLayout();
  if (!hasKeyboard) return null;
  return (
    <Txt as="small" colour={onNight ? colours.faintOnNight : colours.faint}>
      {text}
    </Txt>
  );
}
