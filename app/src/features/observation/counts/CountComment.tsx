import { View } from 'react-native';
import { Field } from '../../../parts/Field';
import { useWritten } from '../../../parts/useWritten';
import { space } from '../../../theme/tokens';
import { makeChange } from '../../../sync/outbox';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';

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
  const comment = useWritten(`counts ${id}`, kept, (typed) => {
    const text = typed.trim();
    if (text.length > most) return false;
    if (text !== kept) makeChange('countComment.set', { id, sectionId, lookForId, studentId, text }, id);
    return true;
  });
  const tooLong = comment.text.trim().length > most;
  return (
    <View style={{ gap: space(2) }}>
      <Field
        label="What you make of it"
        value={comment.text}
        onChange={comment.write}
        onLeave={comment.save}
        multiline
        error={tooLong ? 'At most 2,000 characters; nothing is lost, shorten it.' : undefined}
      />
      <View style={{ flexDirection: 'row', gap: space(2) }}>
        <TakeBack about={id} />
      </View>
    </View>
  );
}
