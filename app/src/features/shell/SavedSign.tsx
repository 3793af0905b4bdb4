import Check from 'lucide-react-native/icons/check';
import CloudOff from 'lucide-react-native/icons/cloud-off';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { Action } from '../../parts/Action';
import { Sheet } from '../../parts/Sheet';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { radius, space, target } from '../../theme/tokens';
import { useRecordsAfterPaint } from '../records/afterPaint';
import { leaveOut, sendNow } from '../records/outbox';
import { useRecords, type RecordsState } from '../records/useRecords';

interface Saved {
  words: string;
  /** Where everything is: what the sheet says. */
  detail: string;
  safe: boolean;
}

function savedWords({ entries, connection }: Pick<RecordsState, 'entries' | 'connection'>): Saved {
  const refused = entries.filter(({ state }) => state === 'refused').length;
  const fresh = entries.filter(({ state }) => state === 'new').length;
  const kept = entries.length - refused - fresh;
  if (refused > 0)
    return {
      words: `${refused} refused`,
      detail: 'The server refused these. They are kept here until you decide.',
      safe: false,
    };
  if (entries.length === 0) {
    const away = connection === 'offline';
    const detail = away
      ? 'Everything you did has reached the server. It does not answer at the moment; what you do now is kept on this device.'
      : 'Everything you did has reached the server.';
    return { words: away ? 'saved, offline' : 'saved', detail, safe: true };
  }
  if (fresh > 0)
    return { words: 'not saved yet', detail: `${fresh} are only on the screen so far.`, safe: false };
  if (connection === 'signed_out')
    return {
      words: `sign in to send ${kept}`,
      detail: `${kept} are kept on this device. Sign in to send them.`,
      safe: false,
    };
  const detail = `${kept} are kept on this device, and are sent as soon as the server answers.`;
  return { words: `${kept} kept on this device`, detail, safe: true };
}

/** Sending takes a blink; its words would only flicker. They show when it takes longer. */
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

const entriesOf = (state: RecordsState) => state.entries;

/** Whether everything is saved, always in words; tapping says where everything is. */
export function SavedSign() {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const entries = useRecordsAfterPaint(entriesOf);
  const connection = useRecords((state) => state.connection);
  const waiting = entries.length > 0;
  const long = useSettled(waiting);
  const saved = savedWords({ entries, connection });
  const words = waiting && !long && saved.safe ? 'saving' : saved.words;
  const Icon = waiting || connection !== 'online' ? CloudOff : Check;
  const showIcon = !waiting || long;
  return (
    <>
      <TouchableRipple
        onPress={() => {
          setOpen(true);
        }}
        role="button"
        aria-label={`${words}. Where is everything?`}
        style={{
          minHeight: target,
          justifyContent: 'center',
          borderRadius: radius.control,
          paddingHorizontal: space(2),
          maxWidth: 170,
        }}
      >
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1) }} testID="saved-sign">
          {showIcon ? <Icon size={18} color={palette.inkQuiet} strokeWidth={2} /> : null}
          <Words size="small" tone={saved.safe ? 'inkQuiet' : 'ink'} bold={!saved.safe} lines={2} live>
            {words}
          </Words>
        </View>
      </TouchableRipple>
      {open ? (
        <Sheet
          title="Where everything is"
          onClose={() => {
            setOpen(false);
          }}
        >
          <Words>{saved.detail}</Words>
          {entries
            .filter(({ state }) => state === 'refused')
            .map(({ change, reason }) => (
              <View key={change.id} style={{ gap: space(1) }}>
                <Words bold>{change.kind}</Words>
                <Words tone="ember">{reason ?? ''}</Words>
                <Action
                  label="Leave it out"
                  onPress={() => {
                    void leaveOut(change.id);
                  }}
                />
              </View>
            ))}
          {waiting ? <Action label="Send now" kind="main" onPress={sendNow} /> : null}
        </Sheet>
      ) : null}
    </>
  );
}
