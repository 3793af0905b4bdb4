import Check from 'lucide-react-native/icons/check';
import CloudOff from 'lucide-react-native/icons/cloud-off';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { lazily } from '../parts/lazily';
import { Words } from '../parts/Words';
import { usePalette } from '../theme/theme';
import { radius, space, target } from '../theme/tokens';
import { useRecordsAfterPaint } from '../sync/afterPaint';
import { savedWords, whereabouts } from './saved';

const SavedSheet = lazily(() => import('./SavedSheet'));

/** Keeping and sending take a blink; their words would only flicker. They show when it takes longer. */
function useSettled(busy: boolean): boolean {
  const [long, setLong] = useState(false);
  useEffect(() => {
    if (!busy) {
      setLong(false);
      return;
    }
    const timer = setTimeout(() => {
      setLong(true);
    }, 700);
    return () => {
      clearTimeout(timer);
    };
  }, [busy]);
  return busy && long;
}

/** By itself: each tap goes through "saving", and draws these words and not the button around them. */
function SavedWords() {
  const palette = usePalette();
  const found = useRecordsAfterPaint(whereabouts);
  const { fresh, kept, refused, connection } = found;
  const waiting = fresh + kept + refused > 0;
  const long = useSettled(waiting);
  const saved = savedWords(found);
  const blink = waiting && !long && refused === 0 && connection !== 'signed_out';
  const quiet = blink || saved.safe;
  const Icon = (waiting && !blink) || connection !== 'online' ? CloudOff : Check;
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1) }} testID="saved-sign">
      {/* In a blink its place is kept, so that the words stand still. */}
      <View style={{ opacity: blink ? 0 : 1 }}>
        <Icon size={18} color={palette.inkQuiet} strokeWidth={2} />
      </View>
      <Words size="small" tone={quiet ? 'inkQuiet' : 'ink'} bold={!quiet} lines={2} live>
        {blink ? 'saving' : saved.words}
      </Words>
    </View>
  );
}

/** Whether everything is saved, always in words; tapping says where everything is. */
export function SavedSign() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <TouchableRipple
        onPress={() => {
          setOpen(true);
        }}
        role="button"
        style={{
          minHeight: target,
          justifyContent: 'center',
          borderRadius: radius.control,
          paddingHorizontal: space(2),
          maxWidth: 170,
        }}
      >
        <SavedWords />
      </TouchableRipple>
      {open ? (
        <SavedSheet
          onClose={() => {
            setOpen(false);
          }}
        />
      ) : null}
    </>
  );
}
