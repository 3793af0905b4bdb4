import Check from 'lucide-react-native/icons/check';
import CloudOff from 'lucide-react-native/icons/cloud-off';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { Action } from '../parts/Action';
import { lazily } from '../parts/lazily';
import { Sheet } from '../parts/Sheet';
import { Words } from '../parts/Words';
import { usePalette } from '../theme/theme';
import { radius, space, target } from '../theme/tokens';
import { useRecordsAfterPaint } from '../sync/afterPaint';
import { sendNow } from '../sync/outbox';
import { useRecords, type RecordsState } from '../sync/useRecords';

// Seen by few.
const RefusedChanges = lazily(() => import('./RefusedChanges'));

/** How many changes are where. */
interface Whereabouts {
  /** Only on the screen. */
  fresh: number;
  /** On this device, to be sent. */
  kept: number;
  refused: number;
  connection: RecordsState['connection'];
}

function whereabouts({ entries, connection }: RecordsState): Whereabouts {
  const refused = entries.filter(({ state }) => state === 'refused').length;
  const fresh = entries.filter(({ state }) => state === 'new').length;
  return { fresh, kept: entries.length - refused - fresh, refused, connection };
}

interface Saved {
  words: string;
  /** Where everything is: what the sheet says. */
  detail: string;
  safe: boolean;
}

function savedWords({ fresh, kept, refused, connection }: Whereabouts): Saved {
  if (refused > 0)
    return {
      words: `${refused} refused`,
      detail: 'The server refused these. They are kept here until you decide.',
      safe: false,
    };
  if (fresh > 0)
    return { words: 'not saved yet', detail: `${fresh} are only on the screen so far.`, safe: false };
  if (kept === 0) {
    const away = connection === 'offline';
    const detail = away
      ? 'Everything you did has reached the server. It does not answer at the moment; what you do now is kept on this device.'
      : 'Everything you did has reached the server.';
    return { words: away ? 'saved, offline' : 'saved', detail, safe: true };
  }
  if (connection === 'signed_out')
    return {
      words: `sign in to send ${kept}`,
      detail: `${kept} are kept on this device. Sign in to send them.`,
      safe: false,
    };
  const detail = `${kept} are kept on this device, and are sent as soon as the server answers.`;
  return { words: `${kept} kept on this device`, detail, safe: true };
}

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

/** Where everything is, and what can be done about what is not at the server. */
function SavedSheet({ onClose }: { onClose: () => void }) {
  const found = useRecordsAfterPaint(whereabouts);
  const entries = useRecords((state) => state.entries);
  const refused = entries.filter(({ state }) => state === 'refused');
  return (
    <Sheet title="Where everything is" onClose={onClose}>
      <Words>{savedWords(found).detail}</Words>
      {refused.length > 0 ? <RefusedChanges entries={refused} /> : null}
      {entries.length > 0 ? <Action label="Send now" kind="main" onPress={sendNow} /> : null}
    </Sheet>
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
