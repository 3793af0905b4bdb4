import qrcode from 'qrcode-generator';
import { useMemo } from 'react';
import Svg, { Path, Rect } from 'react-native-svg';

/** Light round it, in modules, as the standard asks (ISO/IEC 18004). */
const quiet = 4;

/** A text as a QR code, dark on light in both themes, for that is what cameras read. */
export default function QrCode({ text, size, name }: { text: string; size: number; name: string }) {
  const { path, modules } = useMemo(() => {
    const code = qrcode(0, 'M');
    code.addData(text);
    code.make();
    const count = code.getModuleCount();
    let drawn = '';
    for (let row = 0; row < count; row += 1)
      for (let column = 0; column < count; column += 1)
        if (code.isDark(row, column)) drawn += `M${column + quiet} ${row + quiet}h1v1h-1z`;
    return { path: drawn, modules: count + 2 * quiet };
  }, [text]);
  return (
    <Svg width={size} height={size} viewBox={`0 0 ${modules} ${modules}`} role="img" aria-label={name}>
      <Rect width={modules} height={modules} fill="#ffffff" />
      <Path d={path} fill="#000000" />
    </Svg>
  );
}
