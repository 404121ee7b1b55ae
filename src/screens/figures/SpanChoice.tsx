import { spans, type Span } from '@/core/calls/figures';
import { Choice } from '@/ui/field';

import { spanWords } from './figureWords';

/** The span whose calls are looked at. */
export function SpanChoice({ value, onChoose }: { value: Span; onChoose: (span: Span) => void }) {
  return (
    <Choice
      asStrip
      label="Of when"
      value={value}
      options={spans.map((span) => ({ value: span, word: spanWords[span].word }))}
      onChoose={onChoose}
    />
  );
}
