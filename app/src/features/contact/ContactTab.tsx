import { useState } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { heardAtHome, type ContactEntry } from '@slate-path/core/contact/line';
import { toneNames } from '@slate-path/core/contact/tones';
import { listOf } from '@slate-path/core/records/records';
import type { Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { Action } from '../../parts/Action';
import { Card } from '../../parts/Card';
import { dayMonth, longDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { ContactSheet } from './ContactSheet';
import { PhoneLinks } from './PhoneLinks';
import { useContactLines } from './useContact';

const none: ContactEntry[] = [];

/** How home stands, in a sentence. */
function heardWords(entries: readonly ContactEntry[]): string {
  const { lastOn, good, worry } = heardAtHome(entries);
  if (lastOn === null) return 'Home has not been in contact from here yet.';
  const heard = [good > 0 ? `${good} good` : '', worry > 0 ? many(worry, 'worry', 'worries') : ''].filter(
    Boolean,
  );
  const only = worry > 0 && good === 0 ? ' Never anything good.' : '';
  return `Home last heard on ${longDay(lastOn)}${heard.length > 0 ? `; so far ${heard.join(' and ')}` : ''}.${only}`;
}

/** Where a student and the guardians are reached, and every contact on one line of time. */
export function ContactTab({ student }: { student: Student }) {
  const wide = useWide();
  const [noting, setNoting] = useState(false);
  const current = useRecords((state) => state.current);
  const guardians = listOf(current, 'guardian').filter((g) => g.studentId === student.id);
  const entries = useContactLines().get(student.id) ?? none;
  return (
    <View style={{ gap: space(4) }}>
      <Words>{heardWords(entries)}</Words>
      <Action
        label="Note a contact"
        kind="main"
        style={{ alignSelf: 'flex-start' }}
        onPress={() => {
          setNoting(true);
        }}
      />
      <View
        style={{
          flexDirection: wide ? 'row' : 'column',
          gap: space(4),
          alignItems: wide ? 'flex-start' : 'stretch',
        }}
      >
        <Card style={{ gap: space(3), flex: wide ? 1 : undefined }}>
          <Words bold heading={2}>
            Where they are reached
          </Words>
          <PhoneLinks guardians={guardians} />
          <Words tone={student.email ? 'ink' : 'inkQuiet'}>
            {student.email ? `The student: ${student.email}` : 'The student has no address here.'}
          </Words>
        </Card>
        <Card style={{ flex: wide ? 2 : undefined, paddingVertical: space(2) }}>
          {entries.length === 0 ? (
            <Words tone="inkQuiet">
              Letters from here, calls and talks will stand here, the latest first.
            </Words>
          ) : (
            entries.map((entry) => <Line key={entry.id} entry={entry} />)
          )}
        </Card>
      </View>
      {noting ? (
        <ContactSheet
          student={student}
          concern={null}
          tone="neutral"
          history={student.id}
          onClose={() => {
            setNoting(false);
          }}
        />
      ) : null}
    </View>
  );
}

/** One contact: when, what, how a letter stands, what was said, when to look again. */
function Line({ entry }: { entry: ContactEntry }) {
  const palette = usePalette();
  const { answer } = useView(addressOf('outbox'));
  const { id, kind, on, what, words, tone, lookAgainOn } = entry;
  const fates = (answer?.letters ?? []).filter(({ aboutId }) => kind === 'message' && aboutId === id);
  const about = [
    tone === 'neutral' ? '' : toneNames[tone].toLocaleLowerCase(),
    ...fates.map(({ address, words: fate }) => `${address}: ${fate}`),
    lookAgainOn ? `look again on ${dayMonth(lookAgainOn)}` : '',
  ].filter(Boolean);
  return (
    <View
      testID="contact"
      style={{ paddingVertical: space(2), borderBottomWidth: 1, borderColor: palette.line, gap: 2 }}
    >
      <Words bold>{`${longDay(on)}: ${what}`}</Words>
      {words ? <Words>{words}</Words> : null}
      {about.map((line) => (
        <Words key={line} size="small" tone="inkQuiet">
          {line}
        </Words>
      ))}
    </View>
  );
}
