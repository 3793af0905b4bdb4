import X from 'lucide-react-native/icons/x';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { IconAction } from '../../parts/IconAction';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { takeBack } from '../../sync/outbox';
import { useDraft, type Draft } from './draft';
import { notesHistory, ofNote } from './write';

const shownMs = 8000;
const hide = () => {
  useDraft.setState({ kept: null });
};

/** What was just kept, for a moment, with the way back. */
export default function NoteKept({ kept }: { kept: NonNullable<Draft['kept']> }) {
  const palette = usePalette();
  const router = useRouter();
  useEffect(() => {
    const timer = setTimeout(hide, shownMs);
    return () => {
      clearTimeout(timer);
    };
  }, [kept]);
  return (
    <View
      role="status"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        paddingLeft: space(4),
        paddingRight: space(1),
        backgroundColor: palette.slateWash,
        borderTopWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flex: 1, paddingVertical: space(2) }}>
        <Words lines={3} live>
          {kept.words}
        </Words>
      </View>
      <Action
        label="Take back"
        onPress={() => {
          takeBack(notesHistory, ofNote(kept.noteId));
          hide();
        }}
      />
      <Action
        label="Open"
        name="Open the note"
        onPress={() => {
          hide();
          router.push({ pathname: '/notes/[noteId]', params: { noteId: kept.noteId } });
        }}
      />
      <IconAction name="Close" icon={X} onPress={hide} />
    </View>
  );
}
