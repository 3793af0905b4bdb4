import CalendarClock from 'lucide-react-native/icons/calendar-clock';
import NotebookText from 'lucide-react-native/icons/notebook-text';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { space } from '../../theme/tokens';
import { useStepsAgain } from '../watch/useStepsAgain';
import { useDue } from './useDue';

/** To the notes, and to what is to be looked at again. */
export function NoteLinks() {
  const router = useRouter();
  const due = useDue().length + useStepsAgain().due.length;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
      <Action
        label="Notes"
        icon={NotebookText}
        onPress={() => {
          router.push('/notes');
        }}
      />
      <Action
        label={due > 0 ? `Look again: ${due} today` : 'Look again'}
        icon={CalendarClock}
        onPress={() => {
          router.push('/again');
        }}
      />
    </View>
  );
}
