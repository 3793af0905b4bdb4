import type { ViewStyle } from 'react-native';
import { radius, space, target, type Palette } from '../theme/tokens';

/** How something looks that can be chosen or not: what is chosen is filled, and its words are bold. */
export const choiceLook = (palette: Palette, chosen: boolean): ViewStyle => ({
  minHeight: target,
  justifyContent: 'center',
  maxWidth: '100%',
  paddingHorizontal: space(3),
  paddingVertical: space(1),
  borderRadius: radius.control,
  borderWidth: 1,
  borderColor: chosen ? palette.slate : palette.line,
  backgroundColor: chosen ? palette.slateWash : palette.surface,
});

/** The width of a form on a narrow phone, in pixels: what is joined has to fit there. */
const formWidth = 342;
/** The width of a bold letter, in pixels. */
const letter = 9.5;
/** The widest that a row of joined values gets, in pixels: as a form on a wide phone, or so much for each value. */
const widest = { row: 430, each: 150 };

/** Do a few values fit beside each other, each with the same width? */
export function fitsJoined(labels: readonly string[]): boolean {
  const longest = Math.max(...labels.map(({ length }) => length));
  return labels.length > 1 && longest * letter + space(2) <= formWidth / labels.length;
}

/** A row of values that are joined, or of single ones that wrap. */
export const rowLook = (palette: Palette, labels: readonly string[]): ViewStyle =>
  fitsJoined(labels)
    ? {
        flexDirection: 'row',
        maxWidth: Math.max(widest.row, labels.length * widest.each),
        borderRadius: radius.control,
        borderWidth: 1,
        borderColor: palette.line,
      }
    : { flexDirection: 'row', flexWrap: 'wrap', gap: space(2) };

const [left, right] = [
  { borderTopLeftRadius: radius.control, borderBottomLeftRadius: radius.control },
  { borderTopRightRadius: radius.control, borderBottomRightRadius: radius.control },
];

/** One value of such a row. */
export const segmentLook = (palette: Palette, chosen: boolean, at: number, count: number): ViewStyle => ({
  ...(at === 0 ? left : null),
  ...(at === count - 1 ? right : null),
  flex: 1,
  minHeight: target,
  alignItems: 'center',
  justifyContent: 'center',
  borderLeftWidth: at === 0 ? 0 : 1,
  borderColor: palette.line,
  backgroundColor: chosen ? palette.slateWash : palette.surface,
});
