import { useState } from 'react';
import { View } from 'react-native';
import { Action } from '../../parts/Action';
import { Field } from '../../parts/Field';
import { space } from '../../theme/tokens';
import { makeChange } from '../records/outbox';
import { TakeBack } from '../records/TakeBack';
import { useRecords } from '../records/useRecords';

interface CountCommentProps {
  sectionId: string;
  lookForId: string;
  /** Null: the class as a whole. */
  studentId: string | null;
}

const most = 2000;

/** What the teacher makes of the numbers; it stays with them. */
export function CountComment({ sectionId, lookForId, studentId }: CountCommentProps) {
  const id = `${lookForId}.${studentId ?? sectionId}`;
  const kept = useRecords(({ current }) => current.countComment[id]?.text ?? '');
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? kept;
  const tooLong = text.trim().length > most;
  return (
    <View style={{ gap: space(2) }}>
      <Field
        label="What you make of it"
        value={text}
        onChange={setTyped}
        multiline
        error={tooLong ? 'At most 2,000 characters; nothing is lost, shorten it.' : undefined}
      />
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <Action
          label="Keep the comment"
          disabled={text.trim() === kept || tooLong}
          onPress={() => {
            makeChange('countComment.set', { id, sectionId, lookForId, studentId, text: text.trim() }, id);
            setTyped(null);
          }}
        />
        <TakeBack about={id} />
      </View>
    </View>
  );
}
