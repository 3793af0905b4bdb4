import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { Modal, Portal } from 'react-native-paper';
import { usePalette, useWide } from '../theme/theme';
import { radius, space } from '../theme/tokens';
import { IconAction } from './IconAction';
import { Typing } from './Typing';
import { useDialog } from './useDialog';
import { Words } from './Words';

interface SheetProps {
  title: string;
  note?: string;
  onClose: () => void;
  /** Of a form: what it is about. What is typed in it is kept until it is accepted. */
  about?: string;
  children: ReactNode;
}

/** By itself: a portal puts it on the page later than the sheet that asks for it. */
function Dialog({ title, onClose, children }: Pick<SheetProps, 'title' | 'onClose' | 'children'>) {
  const dialog = useDialog<View>(onClose);
  return (
    <View ref={dialog} role="dialog" aria-modal aria-label={title} tabIndex={-1} style={{ flexShrink: 1 }}>
      {children}
    </View>
  );
}

/** Something to look at or settle before going on: from below on the phone, in the middle when wide. */
export function Sheet({ title, note, onClose, about, children }: SheetProps) {
  const palette = usePalette();
  const wide = useWide();
  return (
    <Portal>
      <Modal
        visible
        onDismiss={onClose}
        style={{ justifyContent: wide ? 'center' : 'flex-end' }}
        contentContainerStyle={{
          backgroundColor: palette.surface,
          borderRadius: wide ? radius.card : 0,
          borderTopLeftRadius: radius.card,
          borderTopRightRadius: radius.card,
          maxHeight: '90%',
          width: '100%',
          maxWidth: wide ? 520 : undefined,
          alignSelf: 'center',
        }}
      >
        <Dialog title={title} onClose={onClose}>
          <View style={{ flexDirection: 'row', padding: space(4), paddingBottom: space(2), gap: space(2) }}>
            <View style={{ flex: 1 }}>
              <Words size="large" serif heading={2}>
                {title}
              </Words>
              {note ? <Words tone="inkQuiet">{note}</Words> : null}
            </View>
            <IconAction name="Close" icon={X} onPress={onClose} />
          </View>
          <ScrollView contentContainerStyle={{ padding: space(4), paddingTop: space(1), gap: space(3) }}>
            {about === undefined ? children : <Typing about={about}>{children}</Typing>}
          </ScrollView>
        </Dialog>
      </Modal>
    </Portal>
  );
}
