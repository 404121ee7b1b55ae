import Svg, { Line, Rect } from 'react-native-svg';

/** A lever on its scale: over to the right, where it is on; the word beside it says the same. */
export function LeverSign({ isOn, ink, lit }: { isOn: boolean; ink: string; lit: string }) {
  const x = isOn ? 19 : 3;
  return (
    <Svg width={32} height={18} viewBox="0 0 32 18" style={{ flexShrink: 0 }} aria-hidden>
      <Line x1={2} y1={15.5} x2={30} y2={15.5} stroke={ink} strokeWidth={1.5} />
      <Line x1={8} y1={15.5} x2={8} y2={12} stroke={ink} strokeWidth={1.5} />
      <Line x1={24} y1={15.5} x2={24} y2={12} stroke={ink} strokeWidth={1.5} />
      <Rect
        x={x}
        y={1.5}
        width={10}
        height={10}
        fill={isOn ? lit : 'none'}
        stroke={ink}
        strokeWidth={isOn ? 2.5 : 1.5}
      />
    </Svg>
  );
}
