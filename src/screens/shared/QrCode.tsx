import { create } from 'qrcode';
import { StyleSheet, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';

/** QR code (ISO/IEC 18004), with the quiet zone of four modules that readers need; dark on light in either theme. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const { size } = modules;
  const dark = Array.from({ length: size * size }, (_, at) => at).filter((at) => modules.data[at]);
  const path = dark.map((at) => `M${(at % size) + 4} ${Math.floor(at / size) + 4}h1v1h-1z`).join('');
  return (
    <View role="img" aria-label={label} style={styles.code}>
      <Svg viewBox={`0 0 ${size + 8} ${size + 8}`} width="100%" height="100%" aria-hidden>
        <Rect width={size + 8} height={size + 8} fill="#FFFFFF" />
        <Path d={path} fill="#14201D" />
      </Svg>
    </View>
  );
}

const styles = StyleSheet.create({ code: { width: 240, height: 240, alignSelf: 'center' } });
