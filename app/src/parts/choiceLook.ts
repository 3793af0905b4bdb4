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
