import X from 'lucide-react-native/icons/x';
import { useEffect, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Portal } from 'react-native-paper';
import { usePalette } from '../theme/theme';
import { space } from '../theme/tokens';
import { IconAction } from './IconAction';
import { useDialog } from './useDialog';
import { Words } from './Words';

interface BigScreenProps {
  /** What it is about, small at its top. */
  title: string;
  onClose: () => void;
  /** What stands in it fills it; else it is in the middle. */
  whole?: boolean;
  children: ReactNode;
}

/** The whole screen where the browser lets us; it may refuse, and an older one has no such thing. */
function useWholeScreen(): void {
  useEffect(() => {
    const page = document.documentElement as Partial<Pick<HTMLElement, 'requestFullscreen'>>;
    page.requestFullscreen?.call(document.documentElement).catch(() => undefined);
    return () => {
      if (document.fullscreenElement) void document.exitFullscreen();
    };
  }, []);
}

function Filled({ title, onClose, whole, children }: BigScreenProps) {
  const palette = usePalette();
  const dialog = useDialog<View>(onClose);
  useWholeScreen();
  return (
    <View
      ref={dialog}
      role="dialog"
      aria-modal
      aria-label={title}
      tabIndex={-1}
      style={{ position: 'absolute', inset: 0, backgroundColor: palette.ground }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', padding: space(4), gap: space(4) }}>
        <Words size="large" tone="inkQuiet" style={{ flex: 1 }}>
          {title}
        </Words>
        <IconAction name="Close the big screen" icon={X} onPress={onClose} />
      </View>
      {whole ? (
        <View style={{ flex: 1, padding: space(4), paddingTop: 0 }}>{children}</View>
      ) : (
        <ScrollView
          contentContainerStyle={{
            flexGrow: 1,
            alignItems: 'center',
            justifyContent: 'center',
            gap: space(10),
            padding: space(6),
          }}
        >
          {children}
        </ScrollView>
      )}
    </View>
  );
}

/** Something for the whole room to read, with nothing else beside it. */
export default function BigScreen(props: BigScreenProps) {
  return (
    <Portal>
      <Filled {...props} />
    </Portal>
  );
}
